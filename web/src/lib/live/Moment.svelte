<script lang="ts">
  import { untrack } from 'svelte';
  import { display } from '$lib/display.svelte';
  import { wallOf } from '$lib/zoned';
  import { nearest } from './entries';

  /** When something really was, or that it never was: for the first minutes after it was noted. */
  interface Props {
    at: string;
    onmoment: (at: string) => void;
    ontakeback: () => void;
  }
  const { at, onmoment, ontakeback }: Props = $props();
  let typed = $state(untrack(() => wallOf(new Date(at), display.zone).time));
  let wrong = $state('');

  function read() {
    const moment = nearest(typed, new Date(at));
    if (moment === null) return (wrong = 'A time of day, like 02:30.');
    onmoment(moment);
  }
</script>

<form
  class="moment"
  onsubmit={(e) => {
    e.preventDefault();
    read();
  }}
>
  <label
    >It was at <input
      class="input input-sm w-20"
      inputmode="numeric"
      aria-invalid={wrong ? 'true' : undefined}
      bind:value={typed}
      oninput={() => (wrong = '')}
    /></label
  >
  <button class="btn btn-sm btn-paper">Change the time</button>
  <button type="button" class="btn btn-sm btn-ghost text-error" onclick={ontakeback}>Take it back</button>
  {#if wrong}<span class="text-error" role="alert">{wrong}</span>{/if}
</form>

<style>
  .moment {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
    padding: 5px 0;
    font-size: 14px;
  }
</style>
