<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { onMount, type Snippet } from 'svelte';
  import { me } from '$lib/api/me.svelte';
  import { look, signOut } from './session';

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
    let looked = Date.now();
    const timer = setInterval(() => {
      // The end may have come, or been put off by what was done meanwhile.
      if (me.now?.idleUntil && Date.parse(me.now.idleUntil) < Date.now() && Date.now() - looked > 60_000) {
        looked = Date.now();
        void look();
      }
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
{/if}
<!-- Loaded once somebody is asked: most pages are opened by somebody who is in. -->
{#if !open && (isOut || me.asking)}
  {#await import('./Questions.svelte') then { default: Questions }}<Questions {isOut} ondone={isIn} />{/await}
{/if}
