<script lang="ts">
  import { area } from 'd3-shape';
  import type { CurvePoint, Unit } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { path } from '$lib/chart/line';
  import type { Live, Log, Run } from './types';
  import { toUnit } from '$lib/units';

  /** The one chart of a running firing: the plan thin, what was read glowing, what is forecast dashed with its band. */
  interface Props {
    run: Run;
    live: Live;
    log: Log | null;
    unit: Unit;
    height?: number;
    /** Shown only a part of it: minutes. */
    window?: { from: number; to: number } | null;
  }
  const { run, live, log, unit, height = 260, window = null }: Props = $props();

  const at = (minute: number, celsius: number): CurvePoint => ({
    minute,
    temperature: toUnit(celsius, unit)
  });
  const plan = $derived(run.promised.map((p) => at(p.minute, p.celsius)));
  /** Stretches without a gap; a point that is none breaks the line. */
  const actual = $derived(
    (log?.segments ?? []).flatMap((piece, i) => [
      ...(i > 0 && piece[0] ? [{ minute: piece[0].minute, temperature: NaN }] : []),
      ...piece.map((p) => at(p.minute, p.celsius))
    ])
  );
  const ahead = $derived(
    (live.state === 'opened' ? [] : (live.forecast?.curve ?? []))
      .filter((p) => p.p50 !== null)
      .map((p) => ({
        ...at(p.minute, p.p50 ?? 0),
        low: toUnit(p.p10 ?? p.p50 ?? 0, unit),
        high: toUnit(p.p90 ?? p.p50 ?? 0, unit)
      }))
  );
  const now = $derived(live.display === null ? null : at(live.lastMinute ?? live.minute, live.display));
  const reach = $derived(ahead.filter((p) => p.minute >= live.minute));
</script>

<FiringChart
  curve={actual}
  asked={plan}
  beyond={reach}
  {unit}
  {height}
  {window}
  start={new Date(run.startsAt)}
  label="The firing so far, beside its plan, and how it will go on"
>
  {#snippet children(frame)}
    {#if reach.length > 1}
      {@const band = area<(typeof reach)[number]>(
        (p) => frame.x(p.minute),
        (p) => frame.y(p.low),
        (p) => frame.y(p.high)
      )(reach)}
      <path d={band} fill="#f0c58a" fill-opacity="0.18" data-line="band" />
      <path
        d={path(reach, frame)}
        fill="none"
        stroke="#f0c58a"
        stroke-width="2.2"
        stroke-dasharray="6 6"
        data-line="forecast"
      />
    {/if}
    {#if now}
      <circle
        cx={frame.x(now.minute)}
        cy={frame.y(now.temperature)}
        r="5.5"
        fill="#fff2d8"
        stroke="#171310"
        stroke-width="2"
      />
    {/if}
  {/snippet}
</FiringChart>
