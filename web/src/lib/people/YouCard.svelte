<script lang="ts">
  import { api, fieldErrors, sayProblem, type Problem } from '$lib/api/client';
  import { me } from '$lib/api/me.svelte';
  import { shortTime } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import NewPassword from './NewPassword.svelte';
  import { signOut } from './session';
  import { roleMeans, roleNames } from './words';

  /** One's own account. */
  let open: 'password' | 'pin' | null = $state(null);
  let current = $state('');
  let password = $state('');
  let pin = $state('');
  let busy = $state(false);
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));
  const person = $derived(me.now?.person ?? null);
  const role = $derived(me.now?.role ?? 'display');

  async function save(e: SubmitEvent) {
    e.preventDefault();
    if (!person) return;
    busy = true;
    const params = { path: { id: person.id } };
    const { error, response } =
      open === 'pin'
        ? await api.PUT('/api/people/{id}/pin', { params, body: { pin } })
        : await api.PUT('/api/people/{id}/password', { params, body: { current, password } });
    busy = false;
    if (!response.ok) return void (problem = error as Problem);
    toasts.show(
      open === 'pin' ? 'Your PIN is set.' : 'Your password is new; you are signed out everywhere else.'
    );
    [open, current, password, pin, problem] = [null, '', '', '', null];
  }
</script>

<section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="you">
  {#if person}
    <h2 id="you" class="text-[17px]">{person.name}</h2>
    <p class="text-soft text-[14px]">
      {roleNames[role]}{role === 'display' ? '' : `: ${roleMeans[role]}`}.
      {#if me.now?.idleUntil}Signed in until {shortTime(new Date(me.now.idleUntil))} if nothing more is done here.{/if}
    </p>
    <p class="flex flex-wrap gap-2">
      <button class="btn btn-sm btn-paper" onclick={() => void signOut()} data-testid="sign-out"
        >Sign out</button
      >
      <button class="btn btn-sm btn-ghost" onclick={() => (open = 'password')}>New password</button>
      <button class="btn btn-sm btn-ghost" onclick={() => (open = 'pin')}>PIN for the studio’s devices</button
      >
      <a class="btn btn-sm btn-ghost" href="/api/people/{person.id}/export" download>Export my data</a>
    </p>
  {:else}
    <h2 id="you" class="text-[17px]">{me.now?.device?.name ?? 'Nobody is signed in'}</h2>
    <p class="text-soft text-[14px]">A screen of the studio: it shows everything and changes nothing.</p>
    <p><button class="btn btn-sm btn-primary" onclick={() => void me.ask('name')}>Sign in</button></p>
  {/if}
</section>

{#if open}
  <Dialog
    title={open === 'pin' ? 'Six digits' : 'New password'}
    onclose={() => ([open, problem] = [null, null])}
  >
    <form class="grid gap-3" onsubmit={(e) => void save(e)}>
      {#if open === 'pin'}
        <label class="grid gap-1"
          >PIN
          <input
            class="input w-40"
            inputmode="numeric"
            pattern="[0-9]*"
            maxlength="6"
            autocomplete="off"
            required
            bind:value={pin}
          />
          {#if errors['pin']}<span class="text-error text-[13.5px]" role="alert">{errors['pin']}</span
            >{:else}<span class="text-soft text-[13px]"
              >Good on the studio’s own tablet and phones, and for nothing an owner manages.</span
            >{/if}</label
        >
      {:else}
        <label class="grid gap-1"
          >The one you have now
          <input class="input w-full" type="password" autocomplete="current-password" bind:value={current} />
          {#if errors['current']}<span class="text-error text-[13.5px]" role="alert">{errors['current']}</span
            >{/if}</label
        >
        <NewPassword bind:value={password} error={errors['password']} />
      {/if}
      {#if problem && !Object.keys(errors).length}<p class="text-error" role="alert">
          {sayProblem(problem)}
        </p>{/if}
      <button class="btn btn-primary justify-self-start" disabled={busy}>Save</button>
    </form>
  </Dialog>
{/if}
