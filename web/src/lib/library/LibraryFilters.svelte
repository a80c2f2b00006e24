<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import { kindNames } from '$lib/format';
  import type { LibraryFilter } from './queries';

  /** What is looked for in the library: words, a kind, a tag. */
  interface Props {
    filter: LibraryFilter;
    tags: readonly { tag: string; count: number }[];
  }
  let { filter = $bindable(), tags }: Props = $props();
</script>

<label class="input input-sm w-full sm:w-72">
  <Search size={15} class="text-soft" />
  <input
    id="library-search"
    type="search"
    placeholder="Search names, tags and notes"
    aria-label="Search schedules"
    bind:value={filter.search}
  />
</label>
<div class="join" role="group" aria-label="Kind of firing">
  {#each [['', 'All'], ...Object.entries(kindNames)] as [kind, name] (kind)}
    <button
      class={['btn btn-sm join-item font-normal', filter.kind === kind ? 'btn-primary' : 'btn-paper']}
      aria-pressed={filter.kind === kind}
      onclick={() => (filter.kind = kind ?? '')}>{name}</button
    >
  {/each}
</div>
<select class="select select-sm w-auto" aria-label="Tag" bind:value={filter.tag}>
  <option value="">any tag</option>
  {#each tags as { tag, count } (tag)}<option value={tag}>{tag} ({count})</option>{/each}
</select>
