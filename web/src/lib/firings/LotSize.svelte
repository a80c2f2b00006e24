<script lang="ts">
  import type { Lot, PieceBody } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import MeasureField from '$lib/fields/MeasureField.svelte';

  /** How large a piece is: round 85 × 100 mm. */
  interface Props {
    lot: Lot;
    wrong: (field: string) => string | undefined;
    onpiece: (piece: PieceBody, field: string) => void;
  }
  const { lot, wrong, onpiece }: Props = $props();

  const piece = $derived<PieceBody>(lot.piece ?? {});
  const isRectangle = $derived(piece.shape === 'rectangle');
  const sides = $derived(
    isRectangle
      ? ([
          ['across', 'wide'],
          ['deep', 'deep'],
          ['height', 'tall']
        ] as const)
      : ([
          ['across', 'across'],
          ['height', 'tall']
        ] as const)
  );
  const set = (field: keyof PieceBody, value: number | string | null) =>
    onpiece({ ...piece, [field]: value }, field);
</script>

<span class="words">
  <select
    class="select select-sm"
    aria-label="Shape from above"
    value={piece.shape ?? 'round'}
    onchange={(e) => set('shape', e.currentTarget.value)}
  >
    <option value="round">round</option>
    <option value="rectangle">square</option>
  </select>
  {#each sides as [field, label], i (field)}
    {#if i > 0}<span aria-hidden="true">×</span>{/if}
    <MeasureField
      what="length"
      {label}
      value={piece[field] ?? null}
      placeholder={label}
      invalid={wrong(`piece.${field}`) !== undefined}
      onvalue={(value) => set(field, value)}
    />
  {/each}
  <span aria-hidden="true">{display.length}</span>
</span>
