<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Plan, Schedule } from '$lib/api/client';
  import { fromSchedule, scheduleDifferences } from '$lib/editor';
  import { when } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import { replaceInEditor, takeToEditor, type Taken } from './open-in-editor';

  /** The way to the editor. A schedule that somebody has edited since is asked about, with what would change. */
  const { draft, plan }: { draft: FiringDraft; plan: Plan } = $props();
  let edited = $state.raw<Schedule | null>(null);
  let busy = $state(false);

  async function go(taking: Promise<Taken>) {
    busy = true;
    try {
      const taken = await taking;
      if ('trouble' in taken) toasts.show(taken.trouble, { tone: 'error' });
      else if ('edited' in taken) edited = taken.edited;
      else void goto(`/schedules/${taken.schedule.id}`);
    } finally {
      busy = false;
    }
  }
</script>

<button
  class="btn btn-sm btn-primary mt-2 w-full"
  data-testid="to-editor"
  disabled={busy}
  onclick={() => void go(takeToEditor(draft, plan))}>Open in editor</button
>

{#if edited}
  {@const now = edited}
  <Dialog title="This schedule was edited" wide onclose={() => (edited = null)}>
    <p class="mb-2 text-[14px]">
      “{now.name}” was edited {when(new Date(now.updatedAt))}, after this firing was planned. Opening the plan
      in the editor would replace it; its earlier versions stay.
    </p>
    <div class="max-h-80 overflow-auto">
      <table class="table-xs table" data-testid="would-change">
        <thead><tr><th></th><th>As edited</th><th>As planned now</th></tr></thead>
        <tbody>
          {#each scheduleDifferences(fromSchedule(now), fromSchedule( { ...plan.schedule, name: draft.body.name ?? 'Planned' } )) as row (row.place)}
            <tr><th class="text-soft font-normal">{row.place}</th><td>{row.mine}</td><td>{row.theirs}</td></tr
            >
          {/each}
        </tbody>
      </table>
    </div>
    <p class="mt-3 flex flex-wrap justify-end gap-2">
      <button class="btn btn-sm btn-ghost" onclick={() => (edited = null)}>Cancel</button>
      <button class="btn btn-sm btn-paper" onclick={() => void goto(`/schedules/${now.id}`)}
        >Open as edited</button
      >
      <button
        class="btn btn-sm btn-primary"
        disabled={busy}
        onclick={() => void go(replaceInEditor(draft, plan, now))}>Replace with the plan</button
      >
    </p>
  </Dialog>
{/if}
