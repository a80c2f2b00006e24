<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { display } from '$lib/display.svelte';
  import { logOf } from '$lib/live/queries';
  import type { Cause } from './reading-draft.svelte';
  import { toUnit } from '$lib/units';

  /** The firing as it went, with the stretches the leading causes speak of marked on it. */
  interface Props {
    firingId: number;
    causes: readonly Cause[];
    pointed: Cause['evidence'][number] | null;
  }
  const { firingId, causes, pointed }: Props = $props();

  const log = createQuery(() => logOf(firingId, 500, null));
  const unit = $derived(display.unit);
  const curve = $derived(
    (log.data?.segments ?? []).flatMap((piece, i) => [
      ...(i > 0 && piece[0] ? [{ minute: piece[0].minute, temperature: NaN }] : []),
      ...piece.map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
    ])
  );
  const spans = $derived([
    ...new Map(
      causes
        .flatMap((c) => c.evidence)
        .flatMap((e) =>
          e.fromMinute === null || e.toMinute === null
            ? []
            : [[e.fromMinute, { from: e.fromMinute, to: e.toMinute }] as const]
        )
    ).values()
  ]);
  const marked = $derived(
    pointed && pointed.fromMinute !== null && pointed.toMinute !== null
      ? { from: pointed.fromMinute, to: pointed.toMinute }
      : null
  );
</script>

{#if curve.length > 1}
  <FiringChart {curve} {unit} height={200} {marked} label="The firing, with what the causes speak of marked">
    {#snippet children(frame)}
      {#each spans as span (span.from)}
        <rect
          x={frame.x(span.from)}
          width={Math.max(3, frame.x(span.to) - frame.x(span.from))}
          y={frame.y(frame.high)}
          height={frame.y(frame.low) - frame.y(frame.high)}
          fill="#f0935a"
          fill-opacity="0.22"
          data-testid="why-mark"
        />
      {/each}
    {/snippet}
  </FiringChart>
{/if}
