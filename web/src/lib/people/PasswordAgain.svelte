<script lang="ts">
  import { me } from '$lib/api/me.svelte';
  import { stepUp } from './session';

  /** What only an owner may wants the password again; it counts for ten minutes. */
  const { ondone }: { ondone: () => void } = $props();
  let password = $state('');
  let busy = $state(false);
  let wrong: string | null = $state(null);

  async function go(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    wrong = await stepUp(password);
    busy = false;
    if (!wrong) ondone();
  }
</script>

<form class="grid gap-3" onsubmit={(e) => void go(e)}>
  <p class="text-soft text-[14px]">
    This changes the studio itself. It is asked once and counts for ten minutes, {me.now?.person?.name ?? ''}.
  </p>
  <label class="grid gap-1"
    >Password
    <!-- svelte-ignore a11y_autofocus -->
    <input
      class="input w-full"
      type="password"
      autocomplete="current-password"
      maxlength="128"
      autofocus
      required
      bind:value={password}
      data-testid="password-again"
    /></label
  >
  {#if wrong}<p class="text-error" role="alert">{wrong}</p>{/if}
  <button class="btn btn-primary min-h-12" disabled={busy}>Go on</button>
</form>
