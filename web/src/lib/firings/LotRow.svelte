<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import X from '@lucide/svelte/icons/x';
  import type { ClayBody, GlazeBody, Lot } from '$lib/api/client';
  import MeasureField from '$lib/fields/MeasureField.svelte';
  import type { Stored } from '$lib/draft/outcome';
  import type { FiringDraft } from './firing-draft.svelte';

  /** One lot of ware: what, how many, how thick, of what, how dry. */
  interface Props {
    draft: FiringDraft;
    lot: Lot;
    row: number;
    clays: readonly Stored<ClayBody>[];
    glazes: readonly Stored<GlazeBody>[];
  }
  const { draft, lot, row, clays, glazes }: Props = $props();

  const raw = $derived(draft.body.kind !== 'glaze');
  const glazed = $derived(draft.body.kind === 'glaze' || draft.body.kind === 'once-fired');
  const said = $derived(
    Object.entries(draft.planErrors)
      .filter(([field]) => field.startsWith(`lots[${row}].`))
      .map(([, text]) => text)
  );
  const wrong = (field: string) => (draft.planErrors[`lots[${row}].${field}`] ? 'true' : undefined);
  const chosen = $derived((lot.glazeIds ?? []).map((id) => glazes.find((g) => g.id === id)).filter((g) => g));

  function count(text: string) {
    const value = Number(text);
    draft.editLot(
      row,
      { count: text.trim() === '' || Number.isNaN(value) ? null : Math.round(value) },
      `${row}.count`
    );
  }

  /** The number goes to the planner; what was typed stays beside it where it says more, like 3/8 in. */
  function measure(field: 'wall' | 'width' | 'pieceKg', value: number | null, typed: string | null) {
    const others = Object.entries(lot.typed ?? {}).filter(([name]) => name !== field);
    const kept = Object.fromEntries(typed === null ? others : [...others, [field, typed]]);
    draft.editLot(row, { [field]: value, typed: Object.keys(kept).length ? kept : null }, `${row}.${field}`);
  }
</script>

<div class="row" role="group" aria-label="Lot {row + 1}" data-testid="lot" data-row={row}>
  <input
    class="input input-sm what"
    placeholder="mugs"
    aria-label="What"
    id="lot-{row}-what"
    value={lot.what ?? ''}
    oninput={(e) => draft.editLot(row, { what: e.currentTarget.value }, `${row}.what`)}
  />
  <label
    >pieces <input
      class="input input-sm w-16 text-right"
      inputmode="numeric"
      aria-invalid={wrong('count')}
      value={lot.count ?? ''}
      oninput={(e) => count(e.currentTarget.value)}
    /></label
  >
  <MeasureField
    what="length"
    label="wall"
    value={lot.wall}
    typed={lot.typed?.['wall']}
    placeholder="6"
    invalid={wrong('wall') !== undefined}
    onvalue={(value, typed) => measure('wall', value, typed)}
  />
  <MeasureField
    what="length"
    label="flat"
    value={lot.width}
    typed={lot.typed?.['width']}
    placeholder="–"
    invalid={wrong('width') !== undefined}
    onvalue={(value, typed) => measure('width', value, typed)}
  />
  <MeasureField
    what="mass"
    label="each"
    value={lot.pieceKg}
    typed={lot.typed?.['pieceKg']}
    placeholder="0.6"
    invalid={wrong('pieceKg') !== undefined}
    onvalue={(value, typed) => measure('pieceKg', value, typed)}
  />
  <span class="ml-auto flex">
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
  <span class="w-full" aria-hidden="true"></span>
  <select
    class="select select-sm w-36"
    aria-label="Clay"
    value={String(lot.clayId ?? '')}
    onchange={(e) =>
      draft.editLot(row, { clayId: e.currentTarget.value ? Number(e.currentTarget.value) : null })}
  >
    <option value="">clay?</option>
    {#each clays as clay (clay.id)}<option value={String(clay.id)}>{clay.body.name}</option>{/each}
  </select>
  {#if raw}
    <select
      class="select select-sm w-36"
      aria-label="How dry"
      value={lot.dryness ?? 'bone-dry'}
      onchange={(e) => draft.editLot(row, { dryness: e.currentTarget.value as 'damp' })}
    >
      <option value="bone-dry">bone dry</option>
      <option value="cool-to-touch">cool to touch</option>
      <option value="damp">damp</option>
      <option value="leather-hard">leather hard</option>
    </select>
  {/if}
  {#if draft.body.kind === 'bisque'}
    <select
      class="select select-sm w-36"
      aria-label="What comes next"
      value={lot.next ?? 'dipping'}
      onchange={(e) => draft.editLot(row, { next: e.currentTarget.value as 'dipping' })}
    >
      <option value="dipping">then dipped</option>
      <option value="brushing">then brushed</option>
      <option value="unglazed">never glazed</option>
    </select>
  {/if}
  {#if glazed}
    <span class="flex flex-wrap items-center gap-1">
      {#each chosen as glaze (glaze?.id)}
        <button
          class="btn btn-xs btn-accent"
          aria-label="Remove {glaze?.body.name}"
          onclick={() =>
            draft.editLot(row, { glazeIds: (lot.glazeIds ?? []).filter((id) => id !== glaze?.id) })}
          >{glaze?.body.name} <X size={12} /></button
        >
      {/each}
      <select
        class="select select-sm w-28"
        aria-label="Add a glaze"
        value=""
        onchange={(e) => {
          draft.editLot(row, { glazeIds: [...(lot.glazeIds ?? []), Number(e.currentTarget.value)] });
          e.currentTarget.value = '';
        }}
      >
        <option value="">glaze +</option>
        {#each glazes.filter((g) => !lot.glazeIds?.includes(g.id)) as glaze (glaze.id)}<option
            value={String(glaze.id)}>{glaze.body.name}</option
          >{/each}
      </select>
    </span>
  {/if}
  <input
    class="input input-sm w-28"
    placeholder="whose"
    aria-label="Whose"
    value={lot.whose ?? ''}
    oninput={(e) => draft.editLot(row, { whose: e.currentTarget.value || null }, `${row}.whose`)}
  />
  {#if raw}
    <label class="tick"
      ><input
        type="checkbox"
        class="checkbox checkbox-primary checkbox-xs"
        checked={lot.closedHollow === true}
        onchange={(e) => draft.editLot(row, { closedHollow: e.currentTarget.checked })}
      /> closed hollow</label
    >
    <label class="tick"
      ><input
        type="checkbox"
        class="checkbox checkbox-primary checkbox-xs"
        checked={lot.oneSided === true}
        onchange={(e) => draft.editLot(row, { oneSided: e.currentTarget.checked })}
      /> solid</label
    >
  {/if}
  {#if said.length}<p class="text-error w-full text-[12.5px]" role="alert">{said.join(' ')}</p>{/if}
</div>

<style>
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 8px 12px;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-300) 65%, transparent);
    font-size: 13.5px;
  }
  .what {
    width: 10.5rem;
    font-weight: 600;
  }
  label {
    display: flex;
    align-items: center;
    gap: 5px;
    color: var(--color-soft);
    white-space: nowrap;
  }
</style>
