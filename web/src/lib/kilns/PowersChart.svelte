<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { KilnPortrait } from '$lib/api/client';
  import { number } from '$lib/format';

  /** How fast a kiln climbs at full power and falls with the power off, over its temperature. */
  const { portrait, height = 240 }: { portrait: KilnPortrait; height?: number } = $props();

  type Point = KilnPortrait['climb'][number];
  let width = $state(560);
  const left = 46;
  const highest = $derived(Math.max(...portrait.climb.map((p) => p.rate), 1) * 1.15);
  const x = $derived(
    scaleLinear()
      .domain([0, portrait.hottest * 1.03])
      .range([left, width - 12])
  );
  const y = $derived(
    scaleLinear()
      .domain([0, highest])
      .range([height - 26, 14])
  );
  const draw = $derived(
    line<Point>(
      (p) => x(p.temperature),
      (p) => y(Math.min(p.rate, highest * 1.2))
    )
  );
  const last = $derived(portrait.climb.at(-1));
  /** Low on the falling line, where the climb is far above it. */
  const falling = $derived(portrait.fall[Math.floor(portrait.fall.length * 0.72)]);
  const uid = $props.id();
</script>

<div class="chamber" bind:clientWidth={width}>
  <svg
    viewBox="0 0 {width} {height}"
    {height}
    width="100%"
    role="img"
    aria-label="Climb at full power and fall with the power off, degrees an hour, over the temperature"
  >
    <clipPath id="{uid}-plot"
      ><rect x={left} y="8" width={Math.max(0, width - left)} height={height - 34} /></clipPath
    >
    {#each y.ticks(4) as t (t)}
      <line x1={left} x2={width - 12} y1={y(t)} y2={y(t)} stroke="currentColor" stroke-opacity="0.1" />
      <text x={left - 8} y={y(t) + 4} text-anchor="end" font-size="11.5" fill="currentColor">{t}</text>
    {/each}
    {#each x.ticks(Math.max(3, Math.floor(width / 90))) as t (t)}
      <text x={x(t)} y={height - 8} text-anchor="middle" font-size="11.5" fill="currentColor"
        >{t} °{portrait.unit}</text
      >
    {/each}
    <g clip-path="url(#{uid}-plot)" fill="none" stroke-width="2.6" stroke-linejoin="round">
      <path d={draw(portrait.fall)} stroke="#9cc0e4" stroke-dasharray="7 6" />
      <path d={draw(portrait.climb)} stroke="#f0761f" />
    </g>
    {#if portrait.climb[4]}
      <text
        x={x(portrait.climb[4].temperature) + 6}
        y={y(portrait.climb[4].rate) - 9}
        font-size="12.5"
        fill="#ffb27a">climb at full power</text
      >
    {/if}
    {#if falling}
      <text x={x(falling.temperature) + 6} y={y(falling.rate) + 18} font-size="12.5" fill="#bcd6ef"
        >fall, power off</text
      >
    {/if}
    {#if last}
      <text x={width - 14} y="26" text-anchor="end" font-size="12.5" font-weight="600" fill="#ffe2b0"
        >{number(last.rate, 0)} °{portrait.unit}/h at {number(last.temperature, 0)} °{portrait.unit}</text
      >
    {/if}
  </svg>
</div>

<style>
  .chamber {
    color: #b9ab9c;
    background: radial-gradient(120% 130% at 55% 110%, #3d1b0c 0, #211510 45%, #171310 80%);
    border-radius: var(--radius-box);
    overflow: hidden;
    line-height: 0;
  }
</style>
