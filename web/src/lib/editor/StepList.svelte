<script lang="ts">
  import { tick } from 'svelte';
  import { on } from 'svelte/events';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { PreviewLoop } from './preview-loop.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import { isBlank } from './draft';
  import StepRow from './StepRow.svelte';

  interface Props {
    draft: ScheduleDraft;
    loop: PreviewLoop;
    selected: number;
  }
  let { draft, loop, selected = $bindable() }: Props = $props();
  let list: HTMLElement;

  $effect(() => on(list, 'keydown', keys));

  export async function focusRow(row: number, field = 'pace') {
    await tick();
    const key = draft.body.steps[row]?.key;
    list.querySelector<HTMLInputElement>(`#step-${key}-${field}`)?.focus();
  }

  /** Enter adds a step, Alt with the arrows moves it, Alt with Backspace takes it out; the row keeps the cursor. */
  function keys(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    const row = Number(target.closest<HTMLElement>('[data-row]')?.dataset.row ?? Number.NaN);
    if (target.tagName !== 'INPUT' || Number.isNaN(row)) return;
    const field = target.id.split('-').at(-1) ?? 'pace';
    if (event.key === 'Enter' && !event.isComposing) {
      event.preventDefault();
      const next = draft.body.steps[row + 1];
      void focusRow(next && isBlank(next) ? row + 1 : draft.addStep(row));
    } else if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      void focusRow(draft.moveStep(row, event.key === 'ArrowUp' ? -1 : 1), field);
    } else if (event.altKey && event.key === 'Backspace') {
      event.preventDefault();
      const silent = draft.body.steps[row] && isBlank(draft.body.steps[row]);
      draft.removeStep(row);
      if (!silent)
        toasts.show(`Step ${row + 1} removed`, { action: { label: 'Undo', run: () => draft.undo() } });
      void focusRow(Math.min(row, draft.body.steps.length - 1), field);
    }
  }
</script>

<div bind:this={list} role="list" aria-label="Steps of the firing">
  {#each draft.body.steps as step, row (step.key)}
    {@const at = draft.stepNumber(row)}
    <div role="listitem" data-row={row}>
      <StepRow
        {draft}
        errors={loop.errors}
        {step}
        {row}
        selected={selected === row}
        times={at >= 0 ? loop.preview?.segments[at] : undefined}
        late={at >= 0 ? (loop.preview?.kiln?.steps[at]?.lateMinutes ?? 0) : 0}
        burns={loop.preview?.kiln?.heat === 'fuel'}
        cautions={loop.preview?.cautions.filter((c) => c.segment === at).map((c) => c.text) ?? []}
        onselect={() => (selected = row)}
        onfocusrow={(r) => void focusRow(r)}
      />
    </div>
  {/each}
</div>
