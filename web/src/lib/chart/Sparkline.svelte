<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { CurvePoint, Unit } from '$lib/api/client';
  import { glowStops } from './glow';
  import { path } from './line';
  import { toUnit } from '$lib/units';

  interface Props {
    curve: readonly CurvePoint[];
    unit: Unit;
    width?: number;
    height?: number;
  }
  const { curve, unit, width = 132, height = 44 }: Props = $props();

  const uid = $props.id();
  /** All on one scale, so that a drying firing looks low beside a glaze firing. */
  const high = $derived(toUnit(1320, unit));
  const low = $derived(toUnit(0, unit));
  const frame = $derived({
    x: scaleLinear([0, curve.at(-1)?.minute || 1], [5, width - 5]),
    y: scaleLinear([low, high], [height - 5, 5])
  });
</script>

<svg viewBox="0 0 {width} {height}" {width} {height} aria-hidden="true">
  <defs>
    <linearGradient
      id="{uid}-g"
      gradientUnits="userSpaceOnUse"
      x1="0"
      x2="0"
      y1={frame.y(low)}
      y2={frame.y(high)}
    >
      {#each glowStops(low, high, unit) as stop, i (i)}<stop
          offset={stop.offset}
          stop-color={stop.colour}
        />{/each}
    </linearGradient>
  </defs>
  <rect {width} {height} rx="8" fill="#1b1512" />
  <path
    d={path(curve, frame)}
    fill="none"
    stroke="url(#{uid}-g)"
    stroke-width="2.2"
    stroke-linejoin="round"
  />
</svg>
