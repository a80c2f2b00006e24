<script lang="ts">
  import Copy from '@lucide/svelte/icons/copy';
  import X from '@lucide/svelte/icons/x';
  import type { ClayBody, GlazeBody, Lot } from '$lib/api/client';
  import type { Stored } from '$lib/draft/outcome';
  import MeasureField from '$lib/fields/MeasureField.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import LotGlazes from './LotGlazes.svelte';
  import LotSize from './LotSize.svelte';

  /** One lot of ware: what, how many, how thick, of what, how dry. */
  interface Props {
    draft: FiringDraft;
    lot: Lot;
    row: number;
    clays: readonly Stored<ClayBody>[];
    glazes: readonly Stored<GlazeBody>[];
  }
  const { draft, lot, row, clays, glazes }: Props = $props();

  const raw = $derived(draft.body.kind !== 'glaze' && draft.body.kind !== 'refiring');
  const glazed = $derived(draft.body.kind === 'once-fired' || !raw);
  /** How wet it goes in, in the words of what it is. */
  const wetness = $derived(
    raw
      ? [
          ['bone-dry', 'bone dry'],
          ['cool-to-touch', 'cool to touch'],
          ['damp', 'damp'],
          ['leather-hard', 'leather hard']
        ]
      : draft.body.kind === 'glaze'
        ? [
            ['bone-dry', 'glaze is dry'],
            ['damp', 'freshly glazed, still wet']
          ]
        : [
            ['bone-dry', 'dry'],
            ['cool-to-touch', 'washed or used']
          ]
  );
  const said = $derived(
    Object.entries(draft.messages)
      .filter(([field]) => field.startsWith(`lots[${row}].`))
      .map(([, text]) => text)
  );
  const wrong = (field: string) => (draft.messages[`lots[${row}].${field}`] ? 'true' : undefined);

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
    placeholder="mugs, bowls, tiles"
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
  <span class="tools">
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
  <LotSize
    {lot}
    stacks={draft.body.kind === 'bisque' || draft.body.kind === 'drying'}
    {wrong}
    onpiece={(piece, field) => draft.editLot(row, { piece }, `${row}.piece.${field}`)}
  />
  <label class="tick" title="Goes in before the others when not all of it fits"
    ><input
      type="checkbox"
      class="checkbox checkbox-primary checkbox-xs"
      checked={lot.must === true}
      onchange={(e) => draft.editLot(row, { must: e.currentTarget.checked })}
    /> must go</label
  >
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
  <select
    class="select select-sm w-36"
    aria-label="How dry"
    value={lot.dryness ?? 'bone-dry'}
    onchange={(e) => draft.editLot(row, { dryness: e.currentTarget.value as 'damp' })}
  >
    {#each wetness as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
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
    <LotGlazes ids={lot.glazeIds ?? []} {glazes} onchange={(glazeIds) => draft.editLot(row, { glazeIds })} />
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
  {/if}
  <label class="tick" title="Solid, or with its whole foot on the shelf: it dries and warms from one side"
    ><input
      type="checkbox"
      class="checkbox checkbox-primary checkbox-xs"
      checked={lot.oneSided === true}
      onchange={(e) => draft.editLot(row, { oneSided: e.currentTarget.checked })}
    /> solid</label
  >
  {#if draft.body.kind === 'glaze'}
    <label class="tick" title="Fired before with glaze on it: decorated, mended or used ware"
      ><input
        type="checkbox"
        class="checkbox checkbox-primary checkbox-xs"
        checked={lot.glazedAlready === true}
        onchange={(e) => draft.editLot(row, { glazedAlready: e.currentTarget.checked })}
      /> glazed before</label
    >
  {/if}
  {#if said.length}<p class="text-error w-full text-[12.5px]" role="alert">{said.join(' ')}</p>{/if}
</div>

<style>
  .row {
    position: relative;
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 3px 12px;
    padding: 7px 84px 8px 12px;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-300) 65%, transparent);
    font-size: 13.5px;
  }
  /* Words of a sentence, each a field: only a line under them. */
  .row :global(:is(.input, .select)) {
    height: 28px;
    padding-left: 3px;
    border: 0;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
    border-radius: 0;
    background-color: transparent;
    font-weight: 600;
  }
  .row :global(.input) {
    padding-right: 3px;
  }
  .row :global(.input[aria-invalid='true']) {
    border-bottom: 2px solid var(--color-error);
  }
  @supports (field-sizing: content) {
    .row :global(.input) {
      width: auto;
      min-width: 2rem;
      max-width: 11rem;
      field-sizing: content;
    }
    .row :global(.select) {
      width: auto;
      padding-right: 1.5rem;
      field-sizing: content;
    }
  }
  .what {
    width: 10.5rem;
    font-size: 15px;
  }
  .tools {
    position: absolute;
    top: 5px;
    right: 8px;
    display: flex;
  }
  label {
    display: flex;
    align-items: center;
    gap: 5px;
    color: var(--color-soft);
    white-space: nowrap;
  }
  @media (max-width: 639px) {
    .row :global(:is(.input, .select)) {
      height: 40px;
    }
  }
</style>
