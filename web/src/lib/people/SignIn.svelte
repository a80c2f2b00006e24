<script lang="ts">
  import { me } from '$lib/api/me.svelte';
  import NameWall from './NameWall.svelte';
  import PinPad from './PinPad.svelte';
  import { signIn } from './session';

  /** Who is it? By name and password; on a device of the studio by a tap on a name, and six digits. */
  const { ondone }: { ondone: () => void } = $props();

  let name = $state('');
  let password = $state('');
  let busy = $state(false);
  let wrong: string | null = $state(null);
  /** On a device of the studio names are tapped; a password is typed where somebody has no PIN yet. */
  let typed = $state(false);
  const isWall = $derived(me.isDisplay && !typed);

  async function go(secret: { password: string } | { pin: string }) {
    busy = true;
    wrong = await signIn(name, secret);
    busy = false;
    if (!wrong) ondone();
  }
</script>

{#if isWall && !name}
  <NameWall onchoose={(chosen) => (name = chosen)} ontype={() => (typed = true)} />
{:else if isWall}
  <PinPad
    {name}
    {busy}
    {wrong}
    onpin={(pin) => void go({ pin })}
    onback={() => ([name, wrong] = ['', null])}
    onpassword={() => (typed = true)}
  />
{:else}
  <form
    class="grid gap-3"
    onsubmit={(e) => {
      e.preventDefault();
      void go({ password });
    }}
  >
    <label class="grid gap-1"
      >Your name here
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="input w-full"
        maxlength="60"
        autocomplete="username"
        autofocus={!name}
        required
        bind:value={name}
        data-testid="sign-in-name"
      /></label
    >
    <label class="grid gap-1"
      >Password
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="input w-full"
        type="password"
        maxlength="128"
        autocomplete="current-password"
        autofocus={!!name}
        required
        bind:value={password}
        data-testid="sign-in-password"
      /></label
    >
    {#if wrong}<p class="text-error" role="alert">{wrong}</p>{/if}
    <button class="btn btn-primary min-h-12" disabled={busy} data-testid="sign-in">Sign in</button>
    <p class="text-soft text-[13.5px]">
      Forgotten? An owner can give you a new password; an owner does it at the machine it runs on: ember
      people reset.
    </p>
  </form>
{/if}
