<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A firing under way: what it does, what is known of it, and what hands reach for, at the thumb on a phone. */
  interface Props {
    first: Snippet;
    second: Snippet;
    hand: Snippet;
    /** Room the bar at the thumb takes on a phone, px. */
    reach?: number;
  }
  const { first, second, hand, reach = 80 }: Props = $props();
</script>

<div class="watch" style:--reach="{reach}px">
  <div class="column">{@render first()}</div>
  <div class="column">{@render second()}</div>
  {@render hand()}
</div>

<style>
  .watch {
    display: grid;
    gap: 12px;
    grid-template-columns: minmax(0, 1.6fr) minmax(300px, 1fr);
    align-items: start;
  }
  .column {
    display: grid;
    gap: 10px;
    min-width: 0;
  }
  .watch > :global(.hand) {
    grid-column: 1 / -1;
    position: sticky;
    bottom: 0;
    display: grid;
    gap: 8px;
    padding: 8px 0;
    background: var(--color-base-200);
    z-index: 5;
  }
  .watch :global(.hand .key) {
    min-height: 52px;
    border-radius: 12px;
    background: #2a2320;
    color: #f1e6d8;
    font-weight: 650;
    font-size: 16px;
    cursor: pointer;
  }
  @media screen and (max-width: 767px) {
    .watch {
      grid-template-columns: minmax(0, 1fr);
      padding-bottom: var(--reach);
    }
    .watch > :global(.hand) {
      position: fixed;
      left: 0;
      right: 0;
      bottom: 64px;
      padding: 8px 10px;
    }
    .watch > :global(.hand.many) {
      gap: 5px;
    }
    .watch :global(.hand.many .key) {
      font-size: 14px;
    }
  }
</style>
