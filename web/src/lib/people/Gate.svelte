<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { onMount, type Snippet } from 'svelte';
  import { me } from '$lib/api/me.svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import PasswordAgain from './PasswordAgain.svelte';
  import { look, signOut } from './session';
  import SignIn from './SignIn.svelte';

  /** Who is here decides what is shown. Signed out on the way, what was typed stays behind the question who it is. */
  const { children, open }: { children: Snippet; open: boolean } = $props();

  /** A tablet everybody uses goes back to its names. */
  const tabletIdle = 120_000;
  const client = useQueryClient();
  const isOut = $derived(me.known && me.now === null);

  onMount(() => {
    void look();
    for (const touch of ['pointerdown', 'keydown'] as const)
      window.addEventListener(touch, me.touched, { passive: true, capture: true });
    const timer = setInterval(() => {
      if (me.byPin && me.now?.device && me.idleMs > tabletIdle)
        void signOut().then(() => (me.asking = 'name'));
    }, 5_000);
    return () => {
      clearInterval(timer);
      for (const touch of ['pointerdown', 'keydown'] as const)
        window.removeEventListener(touch, me.touched, { capture: true });
    };
  });

  function isIn() {
    me.answered(true);
    void client.invalidateQueries();
  }
</script>

{#if open || (me.known && (me.now || me.wasIn)) || (me.known && !me.isShared)}
  {@render children()}
  {#if !open && (me.asking === 'name' || isOut)}
    {#key isOut}
      <Dialog title="Who are you?" onclose={() => me.answered(false)}>
        <SignIn ondone={isIn} />
      </Dialog>
    {/key}
  {:else if me.asking === 'password'}
    <Dialog title="Your password again" onclose={() => me.answered(false)}>
      <PasswordAgain ondone={() => me.answered(true)} />
    </Dialog>
  {/if}
{:else if isOut}
  <main class="grid min-h-dvh content-center justify-items-center p-4">
    <section class="card-paper grid w-full max-w-md gap-3 p-6">
      <h1 class="text-2xl">Zealous Ember</h1>
      <SignIn ondone={isIn} />
    </section>
  </main>
{/if}
