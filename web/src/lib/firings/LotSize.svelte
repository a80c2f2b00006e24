<script lang="ts">
  import type { Lot, PieceBody } from '$lib/api/client';
  import MeasureField from '$lib/fields/MeasureField.svelte';

  /** How large a piece is, and how raw ware of its kind is stacked: what room it needs. */
  interface Props {
    lot: Lot;
    /** Raw ware may be stacked; glazed ware never is. */
    stacks: boolean;
    wrong: (field: string) => string | undefined;
    onpiece: (piece: PieceBody, field: string) => void;
  }
  const { lot, stacks, wrong, onpiece }: Props = $props();

  const piece = $derived<PieceBody>(lot.piece ?? {});
  const isRectangle = $derived(piece.shape === 'rectangle');
  const set = (field: keyof PieceBody, value: number | string | null) =>
    onpiece({ ...piece, [field]: value }, field);
  const stackings = [
    ['none', 'each on the shelf'],
    ['nest', 'one in another'],
    ['layers', 'rim on rim'],
    ['spacers', 'over spacers'],
    ['flat', 'flat on each other']
  ] as const;
</script>

<select
  class="select select-sm w-24"
  aria-label="Shape from above"
  value={piece.shape ?? 'round'}
  onchange={(e) => set('shape', e.currentTarget.value)}
>
  <option value="round">round</option>
  <option value="rectangle">square</option>
</select>
<MeasureField
  what="length"
  label={isRectangle ? 'wide' : 'across'}
  value={piece.across ?? null}
  placeholder="85"
  invalid={wrong('piece.across') !== undefined}
  onvalue={(value) => set('across', value)}
/>
{#if isRectangle}
  <MeasureField
    what="length"
    label="deep"
    value={piece.deep ?? null}
    placeholder="85"
    invalid={wrong('piece.deep') !== undefined}
    onvalue={(value) => set('deep', value)}
  />
{/if}
<MeasureField
  what="length"
  label="tall"
  value={piece.height ?? null}
  placeholder="100"
  invalid={wrong('piece.height') !== undefined}
  onvalue={(value) => set('height', value)}
/>
<MeasureField
  what="length"
  label="handle"
  value={piece.handle ?? null}
  placeholder="–"
  invalid={wrong('piece.handle') !== undefined}
  onvalue={(value) => set('handle', value)}
/>
{#if stacks}
  <select
    class="select select-sm w-36"
    aria-label="How it is stacked"
    value={piece.stacking ?? 'none'}
    onchange={(e) => set('stacking', e.currentTarget.value)}
  >
    {#each stackings as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
{/if}
