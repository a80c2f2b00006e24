<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { when } from '$lib/format';
  import { logbook } from './queries';

  /** One more firing to lay beside the others: found by its words, the latest first. */
  interface Props {
    /** Already there. */
    taken: readonly number[];
    label: string;
    onpick: (firingId: number) => void;
  }
  const { taken, label, onpick }: Props = $props();
  const shown = 40;
  let words = $state('');
  const found = createQuery(() => logbook(words.trim() ? { search: words.trim() } : {}, shown));
  const open = $derived((found.data?.firings ?? []).filter((f) => !taken.includes(f.firingId)));
</script>

<span class="flex flex-wrap items-center gap-1.5">
  <input
    class="input input-sm w-40"
    placeholder="Words, people"
    aria-label="Find a firing by its words"
    bind:value={words}
  />
  <select
    class="select select-sm w-64"
    aria-label={label}
    value=""
    disabled={open.length === 0}
    onchange={(e) => {
      const id = Number(e.currentTarget.value);
      e.currentTarget.value = '';
      if (id) onpick(id);
    }}
  >
    <option value="">{open.length ? label : found.isFetched ? 'No other firing found' : 'Looking …'}</option>
    {#each open as firing (firing.firingId)}<option value={String(firing.firingId)}
        >{firing.name}, {when(new Date(firing.startsAt))}</option
      >{/each}
  </select>
</span>
