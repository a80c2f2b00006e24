<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { faultName } from './faults';
  import type { Fault, ReadingDraft } from './reading-draft.svelte';
  import { severities, shelfWords } from './words';

  /** One fault as a sentence: how many of what, where, and what becomes of them. */
  interface Props {
    draft: ReadingDraft;
    fault: Fault;
    index: number;
    closed: boolean;
  }
  const { draft, fault, index, closed }: Props = $props();

  const shelves = $derived(draft.view.shelves as unknown as (string | number)[]);
  const errors = $derived(
    Object.entries(draft.errors).flatMap(([field, text]) =>
      field.startsWith(`results.faults[${index}]`) ? [text] : []
    )
  );
  const name = $derived(faultName(fault.kind ?? ''));
</script>

<div class="row" data-testid="fault" data-kind={fault.kind}>
  <b>{name}</b> on
  <input
    class="word-field w-12"
    inputmode="numeric"
    autocomplete="off"
    aria-label="Pieces with {name}"
    disabled={closed}
    value={fault.count ?? 1}
    onchange={(e) =>
      draft.changeFault(index, { count: Math.max(1, Number.parseInt(e.currentTarget.value, 10) || 1) })}
  />
  <select
    class="select select-xs w-auto max-w-40"
    aria-label="Which ware has {name}"
    disabled={closed}
    value={fault.lot ?? -1}
    onchange={(e) =>
      draft.changeFault(index, {
        lot: Number(e.currentTarget.value) < 0 ? null : Number(e.currentTarget.value)
      })}
  >
    <option value={-1}>pieces of any kind</option>
    {#each draft.view.lots as lot, i (i)}<option value={i}>of {lot.count} {lot.what}</option>{/each}
  </select>
  <select
    class="select select-xs w-auto"
    aria-label="Where {name} was seen"
    disabled={closed}
    value={String(fault.shelf ?? '')}
    onchange={(e) => draft.changeFault(index, { shelf: (e.currentTarget.value || null) as Fault['shelf'] })}
  >
    <option value="">anywhere</option>
    {#each shelves as shelf (shelf)}<option value={String(shelf)}>{shelfWords(shelf).toLowerCase()}</option
      >{/each}
  </select>
  <select
    class="select select-xs w-auto"
    aria-label="What becomes of them: {name}"
    disabled={closed}
    value={fault.severity ?? 'looks'}
    onchange={(e) =>
      draft.changeFault(index, { severity: e.currentTarget.value as NonNullable<Fault['severity']> })}
  >
    {#each severities as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
  </select>
  {#if !closed}<button
      class="btn btn-ghost btn-xs btn-square"
      aria-label="Remove {name}"
      onclick={() => draft.say({ faults: draft.results.faults.filter((_, i) => i !== index) })}
      ><X size={14} /></button
    >{/if}
  {#if fault.kind === 'crazing' || fault.kind === 'burst' || fault.later}
    <label class="text-[13px]"
      ><input
        type="checkbox"
        class="checkbox checkbox-xs"
        disabled={closed}
        checked={fault.later === true}
        onchange={(e) => draft.changeFault(index, { later: e.currentTarget.checked || null })}
      /> came days later</label
    >
  {/if}
  {#if fault.note}<span class="text-soft basis-full text-[13px]">{fault.note}</span>{/if}
  {#each errors as text (text)}<span class="text-error basis-full text-[13px]" role="alert">{text}</span
    >{/each}
</div>

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 6px;
    border-left: 3px solid var(--color-primary);
    padding: 4px 0 4px 10px;
  }
</style>
