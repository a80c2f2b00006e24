<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import Ellipsis from '@lucide/svelte/icons/ellipsis';
  import X from '@lucide/svelte/icons/x';
  import type { ClayBody, GlazeBody, Lot } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import type { Stored } from '$lib/draft/outcome';
  import MeasureField from '$lib/fields/MeasureField.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import { measured, wetnessOf } from './lot';
  import LotFacts from './LotFacts.svelte';
  import LotGlazes from './LotGlazes.svelte';
  import LotSize from './LotSize.svelte';

  /** One lot of ware as a sentence, each word a field: 26 mugs, round 85 × 100 mm, wall 6 mm, Marsh White, cool to touch, the class. */
  interface Props {
    draft: FiringDraft;
    lot: Lot;
    row: number;
    clays: readonly Stored<ClayBody>[];
    glazes: readonly Stored<GlazeBody>[];
  }
  const { draft, lot, row, clays, glazes }: Props = $props();

  let more = $state(false);
  const kind = $derived(draft.body.kind ?? 'bisque');
  const glazed = $derived(kind === 'once-fired' || kind === 'glaze' || kind === 'refiring');
  const said = $derived(
    Object.entries(draft.messages)
      .filter(([field]) => field.startsWith(`lots[${row}].`))
      .map(([, text]) => text)
  );
  const wrong = (field: string) => (draft.messages[`lots[${row}].${field}`] ? 'true' : undefined);
  const edit = (change: Partial<Lot>, field: string | null = null) =>
    draft.editLot(row, change, field && `${row}.${field}`);

  function count(text: string) {
    const value = Number(text);
    edit({ count: text.trim() === '' || Number.isNaN(value) ? null : Math.round(value) }, 'count');
  }
</script>

<div class="row" role="group" aria-label="Lot {row + 1}" data-testid="lot" data-row={row}>
  <span class="words">
    <input
      class="input input-sm"
      inputmode="numeric"
      placeholder="26"
      aria-label="pieces"
      aria-invalid={wrong('count')}
      value={lot.count ?? ''}
      oninput={(e) => count(e.currentTarget.value)}
    />
    <input
      class="input input-sm"
      placeholder="mugs"
      aria-label="What"
      id="lot-{row}-what"
      value={lot.what ?? ''}
      oninput={(e) => edit({ what: e.currentTarget.value }, 'what')}
      onchange={() => void draft.fillUsual(row)}
    />
  </span>
  <LotSize {lot} {wrong} onpiece={(piece, field) => edit({ piece }, `piece.${field}`)} />
  <span class="words"
    ><span aria-hidden="true">wall</span>
    <MeasureField
      what="length"
      label="wall"
      value={lot.wall}
      typed={lot.typed?.['wall']}
      placeholder="6"
      invalid={wrong('wall') !== undefined}
      onvalue={(value, typed) => edit(measured(lot, 'wall', value, typed), 'wall')}
    /><span aria-hidden="true">{display.length}</span></span
  >
  <select
    class="select select-sm"
    aria-label="Clay"
    value={String(lot.clayId ?? '')}
    onchange={(e) => edit({ clayId: e.currentTarget.value ? Number(e.currentTarget.value) : null })}
  >
    <option value="">which clay?</option>
    {#each clays as clay (clay.id)}<option value={String(clay.id)}>{clay.body.name}</option>{/each}
  </select>
  <select
    class="select select-sm"
    aria-label="How dry"
    value={lot.dryness ?? 'bone-dry'}
    onchange={(e) => edit({ dryness: e.currentTarget.value as 'damp' })}
  >
    {#each wetnessOf(kind) as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
  {#if kind === 'bisque'}
    <select
      class="select select-sm"
      aria-label="What comes next"
      value={lot.next ?? 'dipping'}
      onchange={(e) => edit({ next: e.currentTarget.value as 'dipping' })}
    >
      <option value="dipping">to be dipped</option>
      <option value="brushing">to be brushed</option>
      <option value="unglazed">never glazed</option>
    </select>
  {/if}
  {#if glazed}
    <LotGlazes ids={lot.glazeIds ?? []} {glazes} onchange={(glazeIds) => edit({ glazeIds })} />
  {/if}
  <input
    class="input input-sm"
    placeholder="whose"
    aria-label="Whose"
    value={lot.whose ?? ''}
    oninput={(e) => edit({ whose: e.currentTarget.value || null }, 'whose')}
  />
  <LotFacts {lot} {kind} all={more} {wrong} onedit={edit} />
  <span class="tools">
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="More about lot {row + 1}"
      aria-expanded={more}
      title="Handle, weight, stacking, must go, solid"
      onclick={() => (more = !more)}><Ellipsis size={16} /></button
    >
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="Duplicate lot {row + 1}"
      title="Duplicate lot (Alt D)"
      onclick={() => draft.addLot(row, lot)}><Copy size={15} /></button
    >
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="Remove lot {row + 1}"
      title="Remove lot"
      onclick={() => draft.removeLot(row)}><X size={16} /></button
    >
  </span>
  {#if said.length}<p class="text-error w-full text-[12.5px]" role="alert">{said.join(' ')}</p>{/if}
</div>

<style>
  .row {
    position: relative;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 1px 12px;
    padding: 7px 112px 8px 12px;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-300) 65%, transparent);
    font-size: 14px;
    color: var(--color-soft);
  }
  .row :global(.words) {
    display: flex;
    align-items: center;
    gap: 4px;
    white-space: nowrap;
  }
  /* Words of a sentence, each a field: only a line under them. */
  .row :global(:is(.input, .select)) {
    --line: color-mix(in oklab, var(--color-base-content) 24%, transparent);
    height: 28px;
    padding-inline: 1px;
    border: 0;
    border-radius: 0;
    background: linear-gradient(var(--line), var(--line)) no-repeat 0 calc(50% + 12px) / 100% 1px;
    font-size: 14px;
    font-weight: 600;
    color: var(--color-base-content);
  }
  .row :global(.input) {
    width: 4.5rem;
  }
  .row :global(.input[aria-invalid='true']) {
    --line: var(--color-error);
    background-size: 100% 2px;
  }
  @supports (field-sizing: content) {
    .row :global(:is(.input, .select)) {
      width: auto;
      min-width: 1rem;
      max-width: 12rem;
      field-sizing: content;
    }
  }
  .tools {
    position: absolute;
    top: 5px;
    right: 8px;
    display: flex;
  }
  .row :global(.tick) {
    display: flex;
    align-items: center;
    gap: 5px;
    white-space: nowrap;
  }
  @media (max-width: 639px) {
    .row {
      padding-right: 12px;
    }
    .row :global(:is(.input, .select)) {
      height: 40px;
      font-size: 16px;
    }
    .row :global(.tick) {
      min-height: 40px;
    }
    .tools {
      position: static;
      margin-left: auto;
    }
  }
</style>
