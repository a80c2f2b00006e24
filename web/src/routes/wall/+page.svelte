<script lang="ts">
  import { onMount } from 'svelte';
  import { shortTime } from '$lib/format';
  import { hub } from '$lib/live/hub.svelte';
  import RoomKilns from '$lib/live/RoomKilns.svelte';

  /** The kiln room for a screen on the wall: large, nothing to press; it comes back by itself after a lost network. */
  let now = $state(new Date());
  onMount(() => {
    const timer = setInterval(() => (now = new Date()), 10_000);
    // The screen stays lit, where the browser lets it.
    const wake = () => void navigator.wakeLock?.request('screen').catch(() => undefined);
    wake();
    document.addEventListener('visibilitychange', wake);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', wake);
    };
  });
</script>

<svelte:head><title>Wall · Zealous Ember</title></svelte:head>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<main class="wallpage" tabindex="0">
  <header>
    <h1>Kiln room</h1>
    <p>
      {#if !hub.connected}<b data-testid="wall-offline">no connection, trying again</b> ·
      {/if}{shortTime(now)}
    </p>
  </header>
  <RoomKilns wall />
</main>

<style>
  .wallpage {
    position: fixed;
    inset: 0;
    z-index: 50;
    background: var(--color-base-200);
    padding: 28px 36px;
    overflow: auto;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    font-size: 34px;
    margin-bottom: 20px;
  }
  h1 {
    font-size: 40px;
  }
</style>
