<script lang="ts">
  import type { Lot, PieceBody } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import type { Kind } from '$lib/format';
  import MeasureField from '$lib/fields/MeasureField.svelte';
  import { measured, type Measure } from './lot';

  /** What else there is to say of a lot: what is said, or all of it where somebody looks for more. */
  interface Props {
    lot: Lot;
    kind: Kind;
    /** Show what is not said yet as well. */
    all: boolean;
    wrong: (field: string) => string | undefined;
    onedit: (change: Partial<Lot>, field: string | null) => void;
  }
  const { lot, kind, all, wrong, onedit }: Props = $props();

  const piece = $derived<PieceBody>(lot.piece ?? {});
  const stacks = $derived(kind === 'bisque' || kind === 'drying');
  const stackings = [
    ['none', 'each on the shelf'],
    ['nest', 'one in another'],
    ['layers', 'rim on rim'],
    ['spacers', 'over spacers'],
    ['flat', 'flat on each other']
  ] as const;
  /** The ticks there are; a closed hollow piece can burst, so that one is always asked of raw ware. */
  const ticks = $derived(
    (
      [
        [
          'closedHollow',
          'closed hollow',
          kind !== 'glaze' && kind !== 'refiring' ? 'always' : 'never',
          'No hole for the steam to leave by: it can burst'
        ],
        ['must', 'must go', 'asked', 'Goes in before the others when not all of it fits'],
        [
          'oneSided',
          'solid',
          'asked',
          'Solid, or with its whole foot on the shelf: it dries and warms from one side'
        ],
        [
          'glazedAlready',
          'glazed before',
          kind === 'glaze' ? 'asked' : 'never',
          'Fired before with glaze on it: decorated, mended or used ware'
        ]
      ] as const
    ).filter(([field, , shown]) => shown === 'always' || (shown === 'asked' && (all || lot[field] === true)))
  );
  const measure = (field: Measure) => (value: number | null, typed: string | null) =>
    onedit(measured(lot, field, value, typed), field);
</script>

{#if all || (piece.handle ?? 0) > 0}
  <span class="words"
    ><span aria-hidden="true">handle</span>
    <MeasureField
      what="length"
      label="handle"
      value={piece.handle ?? null}
      placeholder="–"
      invalid={wrong('piece.handle') !== undefined}
      onvalue={(handle) => onedit({ piece: { ...piece, handle } }, 'piece.handle')}
    /><span aria-hidden="true">{display.length}</span></span
  >
{/if}
{#if all || (lot.width != null && lot.width !== piece.across)}
  <span class="words" title="Flat ware dries from its edge inwards: how far that is"
    ><span aria-hidden="true">flat for</span>
    <MeasureField
      what="length"
      label="flat"
      value={lot.width}
      typed={lot.typed?.['width']}
      placeholder="–"
      invalid={wrong('width') !== undefined}
      onvalue={measure('width')}
    /><span aria-hidden="true">{display.length}</span></span
  >
{/if}
{#if all || lot.pieceKg != null}
  <span class="words"
    ><MeasureField
      what="mass"
      label="each"
      value={lot.pieceKg}
      typed={lot.typed?.['pieceKg']}
      placeholder="–"
      invalid={wrong('pieceKg') !== undefined}
      onvalue={measure('pieceKg')}
    /><span aria-hidden="true">{display.mass} each</span></span
  >
{/if}
{#if stacks && (all || (piece.stacking ?? 'none') !== 'none')}
  <select
    class="select select-sm"
    aria-label="How it is stacked"
    value={piece.stacking ?? 'none'}
    onchange={(e) => onedit({ piece: { ...piece, stacking: e.currentTarget.value as 'nest' } }, null)}
  >
    {#each stackings as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
{/if}
{#each ticks as [field, name, , title] (field)}
  <label class="tick" {title}
    ><input
      type="checkbox"
      class="checkbox checkbox-primary checkbox-xs"
      checked={lot[field] === true}
      onchange={(e) => onedit({ [field]: e.currentTarget.checked }, null)}
    />
    {name}</label
  >
{/each}
