<script lang="ts">
  import type { CurvePoint, Unit } from '$lib/api/client';
  import { clock, degrees, duration } from '$lib/format';
  import type { Frame } from './frame';
  import { temperatureAt } from './line';

  /** What the curve says where somebody points. */
  interface Props {
    frame: Frame;
    curve: readonly CurvePoint[];
    unit: Unit;
    start: Date | null;
    pointer: { x: number; minute: number };
    paper: boolean;
  }
  const { frame, curve, unit, start, pointer, paper }: Props = $props();

  const reading = $derived.by(() => {
    const temperature = temperatureAt(curve, pointer.minute);
    if (temperature === null) return null;
    const at = start ? clock(new Date(start.getTime() + pointer.minute * 60_000)) : duration(pointer.minute);
    return { x: pointer.x, y: frame.y(temperature), text: `${at} · ${degrees(temperature, unit)}` };
  });
</script>

{#if reading}
  <g pointer-events="none">
    <line
      x1={reading.x}
      x2={reading.x}
      y1={frame.top}
      y2={frame.height - frame.bottom}
      stroke="currentColor"
      stroke-opacity="0.35"
    />
    <circle cx={reading.x} cy={reading.y} r="3.5" fill="#fff" />
    <text
      x={reading.x + (reading.x > frame.width / 2 ? -8 : 8)}
      y={frame.top + 10}
      text-anchor={reading.x > frame.width / 2 ? 'end' : 'start'}
      font-size="13"
      font-weight="600"
      fill={paper ? '#222' : '#fff2df'}
      paint-order="stroke"
      stroke={paper ? '#fff' : '#1b1512'}
      stroke-width="4">{reading.text}</text
    >
  </g>
{/if}
