<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { bell, ringing } from './alarms.svelte';
  import { room } from './queries';

  /** Rings on every page of every open device for as long as nobody has seen an alarm; one tap leads to it. */
  const now = $derived(ringing());
  const first = $derived(now[0]);
  // Several kilns may be hot: which one is asked for only while something rings.
  const kilns = createQuery(() => ({ ...room(), enabled: now.length > 0 }));
  const kiln = $derived(kilns.data?.find((k) => k.firingId === first?.firingId)?.name);
  const here = $derived(
    first !== undefined &&
      page.url.pathname === `/firings/${first.firingId}` &&
      page.url.searchParams.get('stage') === 'fire'
  );

  onMount(() => {
    return bell.open();
  });
  $effect(() => bell.look(now));
</script>

{#if first && !here}
  <div role="alert">
    <a
      class={['banner', first.alarm.weight]}
      href="/firings/{first.firingId}?stage=fire"
      data-testid="alarm-banner"
    >
      <b>{kiln ? `${kiln}: ` : ''}{first.alarm.text.split(/(?<=\.)\s/)[0]}</b>
      <span>{now.length > 1 ? `and ${now.length - 1} more · ` : ''}look at it</span>
    </a>
  </div>
{/if}

<style>
  .banner {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 4px 16px;
    padding: 12px 18px;
    font-size: 17px;
    color: #fffdf9;
    background: #8f5a0c;
  }
  .danger {
    background: #a52a16;
  }
  .ask,
  .note {
    background: #2f5d8a;
  }
  span {
    text-decoration: underline;
  }
</style>
