<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { CurvePoint, Preview, Unit } from '$lib/api/client';
  import { degrees } from '$lib/format';
  import ChartGrid from './ChartGrid.svelte';
  import { makeFrame, type Frame } from './frame';
  import { glowStops } from './glow';
  import { path } from './line';
  import PointerReading from './PointerReading.svelte';
  import { toUnit } from '$lib/units';

  interface Props {
    curve: readonly CurvePoint[];
    unit: Unit;
    bands?: Preview['bands'];
    /** When the firing starts; the axis then shows clock times. */
    start?: Date | null;
    /** A second firing, drawn thin. */
    other?: readonly CurvePoint[] | undefined;
    /** What was asked of the kiln, drawn thin and pale. */
    asked?: readonly CurvePoint[] | undefined;
    /** What is drawn on top and has to fit in as well. */
    beyond?: readonly CurvePoint[];
    /** Only this part of it, minutes. */
    window?: { from: number; to: number } | null;
    /** A stretch somebody is pointing at. */
    marked?: { from: number; to: number } | null;
    /** From here on the kiln cools by itself. */
    poweredMinutes?: number;
    height?: number;
    label: string;
    /** On paper: ink on white instead of a glow in the dark. */
    paper?: boolean;
    /** Keeps the scales still, while something on the chart is being dragged. */
    frozen?: Frame | null;
    /** Draws on top, on the same scales. */
    children?: Snippet<[Frame]>;
  }
  const {
    curve,
    unit,
    bands = [],
    start = null,
    other,
    asked,
    beyond = [],
    window = null,
    marked = null,
    poweredMinutes,
    height = 330,
    label,
    paper = false,
    frozen = null,
    children
  }: Props = $props();

  const uid = $props.id();
  let width = $state(860);
  let pointer: { x: number; minute: number } | null = $state(null);

  const all = $derived(
    [...curve, ...(other ?? []), ...(asked ?? []), ...beyond].filter(
      (p) => !Number.isNaN(p.temperature) && (!window || (p.minute >= window.from && p.minute <= window.to))
    )
  );
  const frame = $derived(frozen ?? (window ? partFrame(window) : wholeFrame()));

  /** Largest of many: a log has too many points to be spread into a call. */
  const most = (of: (p: CurvePoint) => number, least: number) =>
    all.reduce((best, p) => Math.max(best, of(p)), least);

  function wholeFrame(): Frame {
    return makeFrame(
      Math.max(320, width),
      height,
      most((p) => p.minute, 0),
      most((p) => p.temperature, 0),
      -most((p) => -p.temperature, 0),
      unit
    );
  }

  /** Close up, the scale of temperatures is that of the part. */
  function partFrame(part: { from: number; to: number }): Frame {
    const whole = makeFrame(
      Math.max(320, width),
      height,
      part.to,
      most((p) => p.temperature, 0),
      0,
      unit
    );
    const [low, high] = [-most((p) => -p.temperature, -Infinity), most((p) => p.temperature, -Infinity)];
    if (!Number.isFinite(low)) return whole;
    const room = Math.max(8, (high - low) * 0.12);
    return {
      ...whole,
      low: low - room,
      high: high + room,
      x: whole.x.copy().domain([part.from, part.to]),
      y: whole.y.copy().domain([low - room, high + room])
    };
  }
  const hot = $derived(poweredMinutes === undefined ? curve : upTo(curve, poweredMinutes));
  const cooling = $derived(
    poweredMinutes === undefined ? [] : curve.filter((p) => p.minute >= poweredMinutes - 1e-6)
  );
  const plotRight = $derived(frame.width - frame.right);
  const top = $derived(
    hot.reduce<CurvePoint | null>((best, p) => (best && best.temperature >= p.temperature ? best : p), null)
  );

  function upTo(points: readonly CurvePoint[], minute: number) {
    return points.filter((p) => p.minute <= minute + 1e-6);
  }

  function track(event: PointerEvent) {
    const svg = event.currentTarget as SVGSVGElement;
    const x = ((event.clientX - svg.getBoundingClientRect().left) / svg.clientWidth) * frame.width;
    const minute = frame.x.invert(x);
    pointer = x >= frame.left && x <= plotRight ? { x, minute } : null;
  }
</script>

<div class="chamber" class:paper bind:clientWidth={width}>
  <svg
    viewBox="0 0 {frame.width} {frame.height}"
    width="100%"
    height={frame.height}
    role={children ? 'group' : 'img'}
    aria-label={label}
    data-chart
    font-family="'Source Sans 3 Variable', 'Source Sans 3', system-ui, sans-serif"
    onpointermove={track}
    onpointerleave={() => (pointer = null)}
  >
    <defs>
      <linearGradient
        id="{uid}-glow"
        gradientUnits="userSpaceOnUse"
        x1="0"
        x2="0"
        y1={frame.y(frame.low)}
        y2={frame.y(frame.high)}
      >
        {#each glowStops(frame.low, frame.high, unit) as stop, i (i)}
          <stop offset={stop.offset} stop-color={paper ? '#8a3a18' : stop.colour} />
        {/each}
      </linearGradient>
      <radialGradient id="{uid}-fire" cx="0.55" cy="1.1" r="1.2">
        <stop offset="0" stop-color="#3d1b0c" />
        <stop offset="0.45" stop-color="#211510" />
        <stop offset="0.8" stop-color="#171310" />
      </radialGradient>
      <clipPath id="{uid}-plot">
        <rect x={frame.left} y="0" width={plotRight - frame.left} height={frame.height - frame.bottom} />
      </clipPath>
    </defs>
    {#if !paper}
      <rect width={frame.width} height={frame.height} fill="url(#{uid}-fire)" />
    {/if}

    <ChartGrid {frame} {start} {bands} />
    {#if marked}
      <rect
        x={frame.x(marked.from)}
        y={frame.top}
        width={Math.max(3, frame.x(marked.to) - frame.x(marked.from))}
        height={frame.height - frame.bottom - frame.top}
        fill={paper ? '#a94b25' : '#f0935a'}
        fill-opacity="0.16"
        data-mark
      />
    {/if}
    <g clip-path="url(#{uid}-plot)" fill="none" stroke-linejoin="round" stroke-linecap="round">
      {#if asked && asked.length > 1}
        <path
          d={path(asked, frame)}
          stroke={paper ? '#666' : '#f1e6d8'}
          stroke-width="1.3"
          stroke-opacity="0.75"
          data-line="asked"
        />
      {/if}
      {#if other}
        <path
          d={path(other, frame)}
          stroke={paper ? '#555' : '#cfe0f2'}
          stroke-width="1.8"
          stroke-dasharray="1 5"
          data-line="other"
        />
      {/if}
      {#if !paper}
        <path d={path(hot, frame)} stroke="url(#{uid}-glow)" stroke-width="11" stroke-opacity="0.16" />
      {/if}
      <path d={path(hot, frame)} stroke="url(#{uid}-glow)" stroke-width={paper ? 2.2 : 4} data-line="curve" />
      {#if cooling.length > 1}
        <path
          d={path(cooling, frame)}
          stroke="url(#{uid}-glow)"
          stroke-width={paper ? 1.6 : 2.6}
          stroke-dasharray="7 6"
          data-line="cooling"
        />
      {/if}
    </g>

    {#if top && top.temperature > toUnit(100, unit)}
      {@const right = frame.x(top.minute) > plotRight - 90}
      <text
        x={frame.x(top.minute) + (right ? -14 : 14)}
        y={Math.max(frame.top + 2, frame.y(top.temperature) - 10)}
        text-anchor={right ? 'end' : 'start'}
        font-size="13"
        font-weight="600"
        fill={paper ? '#222' : '#ffe2b0'}>{degrees(top.temperature, unit)}</text
      >
    {/if}
    {@render children?.(frame)}

    {#if pointer}
      <PointerReading {frame} {curve} {unit} {start} {pointer} {paper} />
    {/if}
  </svg>
</div>

<style>
  .chamber {
    color: #b9ab9c;
    background: #171310;
    border-radius: var(--radius-box);
    overflow: hidden;
    line-height: 0;
    touch-action: pan-y;
  }
  .paper {
    color: #444;
    background: none;
    border-radius: 0;
  }
</style>
