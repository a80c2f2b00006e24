<script lang="ts" generics="T">
  import type { AutosavedDraft } from './autosaved-draft.svelte';
  import { differences, type Difference } from './differences';

  interface Props {
    draft: AutosavedDraft<T>;
    /** What it is called: "schedule". */
    what: string;
    /** What both say, place by place; told by their fields when missing. */
    compare?: (mine: T, theirs: T) => Difference[];
  }
  /** Someone else saved this too: both are shown, and undo goes across the choice. */
  const { draft, what, compare = differences }: Props = $props();
  let beside = $state(false);
</script>

{#if draft.state.kind === 'conflict'}
  {@const rows = beside ? compare(draft.body, draft.state.theirs.body) : []}
  <div class="alert border-warning bg-base-100 flex-wrap py-2" role="alert" data-testid="conflict">
    <span class="flex-1 basis-64">
      This {what} was changed by someone else while you were editing. Nothing was overwritten: yours is on this
      page, theirs is saved.
    </span>
    <span class="flex flex-wrap gap-1">
      <button
        type="button"
        class="btn btn-sm btn-paper"
        aria-expanded={beside}
        onclick={() => (beside = !beside)}>See both side by side</button
      >
      <button type="button" class="btn btn-sm btn-paper" onclick={() => draft.settle('theirs')}
        >Take theirs</button
      >
      <button type="button" class="btn btn-sm btn-primary" onclick={() => draft.settle('mine')}
        >Keep mine</button
      >
    </span>
    {#if beside}
      <div class="max-h-72 w-full overflow-auto">
        <table class="table-xs table" data-testid="side-by-side">
          <thead><tr><th></th><th>Mine</th><th>Theirs</th></tr></thead>
          <tbody>
            {#each rows as row (row.place)}
              <tr
                ><th class="text-soft font-normal">{row.place}</th><td>{row.mine}</td><td>{row.theirs}</td
                ></tr
              >
            {/each}
          </tbody>
        </table>
      </div>
    {/if}
  </div>
{/if}
