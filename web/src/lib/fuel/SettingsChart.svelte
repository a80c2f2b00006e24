<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { KilnPortrait } from '$lib/api/client';
  import { number } from '$lib/format';
  import { marks } from './words';

  /** How fast a gas kiln climbs in the next half hour, by setting and temperature. */
  interface Props {
    settings: NonNullable<KilnPortrait['settings']>;
    unit: 'C' | 'F';
    mark: number;
  }
  const { settings, unit, mark }: Props = $props();
  const [width, height, left, bottom] = [420, 250, 44, 26];
  const bars = $derived([...new Set(settings.map((s) => s.pressureBar))].sort((a, b) => a - b));
  const most = $derived(Math.max(100, ...settings.map((s) => s.rate)));
  const least = $derived(Math.min(0, ...settings.map((s) => s.rate)));
  const hottest = $derived(Math.max(...settings.map((s) => s.temperature)));
  const x = $derived(
    scaleLinear()
      .domain([0, hottest])
      .range([left, width - 78])
  );
  const y = $derived(
    scaleLinear()
      .domain([Math.max(least, -80), Math.min(most, 600)])
      .range([height - bottom, 26])
      .clamp(true)
  );
  const line = (bar: number) => settings.filter((s) => s.pressureBar === bar);
  const d = (bar: number) =>
    line(bar)
      .map((p, i) => `${i ? 'L' : 'M'}${x(p.temperature).toFixed(1)} ${y(p.rate).toFixed(1)}`)
      .join('');
  const shade = (i: number) =>
    `hsl(${48 - (36 * i) / Math.max(1, bars.length - 1)} 85% ${66 - (12 * i) / Math.max(1, bars.length - 1)}%)`;
</script>

<div class="chamber">
  <svg
    viewBox="0 0 {width} {height}"
    width="100%"
    role="img"
    aria-label="Climb in the next half hour by setting: at full pressure up to {number(
      most,
      0
    )} °{unit} an hour"
  >
    {#each y.ticks(5) as tick (tick)}
      <line
        x1={left}
        x2={width - 78}
        y1={y(tick)}
        y2={y(tick)}
        stroke="#fff"
        stroke-opacity={tick === 0 ? 0.4 : 0.1}
      />
      <text x={left - 6} y={y(tick) + 4} text-anchor="end" font-size="11.5" fill="#b9ab9c"
        >{number(tick, 0)}</text
      >
    {/each}
    {#each x.ticks(6) as tick (tick)}
      <text x={x(tick)} y={height - 8} text-anchor="middle" font-size="11.5" fill="#b9ab9c"
        >{number(tick, 0)}°</text
      >
    {/each}
    <text x={left + 4} y="16" font-size="11.5" fill="#e9dccb">°{unit}/h in the next half hour</text>
    {#each bars as bar, i (bar)}
      {@const last = line(bar).at(-1)}
      <path d={d(bar)} fill="none" stroke={shade(i)} stroke-width="2.2" />
      {#if last && (i % 2 === 0 || i === bars.length - 1)}<text
          x={Math.min(x(last.temperature) + 5, width - 74)}
          y={y(last.rate) + 4}
          font-size="11.5"
          fill={shade(i)}>{marks(bar, mark)}</text
        >{/if}
    {/each}
  </svg>
</div>

<style>
  .chamber {
    background: radial-gradient(120% 130% at 55% 110%, #3d1b0c 0, #211510 45%, #171310 80%);
    border-radius: var(--radius-box);
    overflow: hidden;
    line-height: 0;
  }
</style>
