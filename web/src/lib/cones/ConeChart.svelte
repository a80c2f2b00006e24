<script lang="ts">
  import { scaleLinear, scaleLog } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { components } from '$lib/api/schema';
  import { glowAt } from '$lib/chart/glow';

  interface Props {
    data: components['schemas']['ConeEndPoints'];
    chosen: string;
    onchoose: (cone: string) => void;
  }
  const { data, chosen, onchoose }: Props = $props();

  const [width, height] = [600, 560];
  const x = $derived(scaleLog([data.rates[0] ?? 10, data.rates.at(-1) ?? 300], [46, width - 46]));
  const all = $derived(data.cones.flatMap((c) => c.temperatures));
  const y = $derived(scaleLinear([Math.min(...all), Math.max(...all)], [height - 30, 14]).nice());
  const path = $derived(
    line<number>(
      (_, i) => x(data.rates[i] ?? 0),
      (t) => y(t)
    )
  );
  const chosenY = $derived(y(data.cones.find((c) => c.cone === chosen)?.temperatures.at(-1) ?? 0));
  const ticks = $derived(data.unit === 'C' ? [10, 20, 60, 100, 150, 300] : [18, 36, 108, 180, 270, 540]);
</script>

<svg
  viewBox="0 0 {width} {height}"
  width="100%"
  role="img"
  aria-label="End points of all cones against the climb, in °{data.unit}"
  font-family="inherit"
  class="chart"
>
  <rect {width} {height} rx="14" fill="#1b1512" />
  {#each y.ticks(10) as t (t)}
    <line x1="46" x2={width - 46} y1={y(t)} y2={y(t)} stroke="#fff" stroke-opacity="0.08" />
    <text x="40" y={y(t) + 4} text-anchor="end" font-size="12" fill="#b9ab9c">{t}</text>
  {/each}
  {#each ticks as rate (rate)}
    <line x1={x(rate)} x2={x(rate)} y1="14" y2={height - 30} stroke="#fff" stroke-opacity="0.08" />
    <text x={x(rate)} y={height - 12} text-anchor="middle" font-size="12" fill="#b9ab9c">{rate}</text>
  {/each}
  <text x="52" y="28" font-size="12" fill="#b9ab9c">°{data.unit} against the climb, °{data.unit}/h</text>
  {#each data.cones as cone, i (cone.cone)}
    {@const end = cone.temperatures.at(-1) ?? 0}
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <g onclick={() => onchoose(cone.cone)} class="cone">
      <path d={path(cone.temperatures)} stroke="transparent" stroke-width="9" fill="none" />
      <path
        d={path(cone.temperatures)}
        stroke={glowAt(end, data.unit)}
        stroke-width={cone.cone === chosen ? 4 : 1.4}
        stroke-opacity={cone.cone === chosen ? 1 : 0.75}
        fill="none"
      />
      {#if cone.cone === chosen || (i % 3 === 0 && Math.abs(y(end) - chosenY) > 13)}
        <text
          x={width - 40}
          y={y(end) + 4}
          font-size={cone.cone === chosen ? 14 : 11.5}
          font-weight={cone.cone === chosen ? 700 : 400}
          fill={cone.cone === chosen ? '#fff2df' : '#b9ab9c'}>{cone.cone}</text
        >
      {/if}
      <title>cone {cone.cone}</title>
    </g>
  {/each}
</svg>

<style>
  .cone {
    cursor: pointer;
  }
</style>
