<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { number } from '$lib/format';

  /** A family of lines in a kiln's chamber, each with its name at its end. */
  interface Props {
    lines: { name: string; points: [number, number][] }[];
    /** What stands over the chart: the meaning of its height. */
    title: string;
    /** Said of it to who cannot see it. */
    label: string;
    across: { most: number; text: (value: number) => string };
    up: { least: number; most: number };
    /** Names listed beside the lines instead of at their ends, where those meet. */
    listed?: boolean;
    colours: 'hot' | 'cool';
  }
  const { lines, title, label, across, up, listed = false, colours }: Props = $props();
  const [width, height, left, bottom] = [420, 250, 44, 26];
  const right = $derived(listed ? 14 : 82);
  const x = $derived(
    scaleLinear()
      .domain([0, across.most])
      .range([left, width - right])
  );
  const y = $derived(
    scaleLinear()
      .domain([up.least, up.most])
      .range([height - bottom, 26])
  );
  const d = (points: [number, number][]) =>
    points.map(([a, b], i) => `${i ? 'L' : 'M'}${x(a).toFixed(1)} ${y(b).toFixed(1)}`).join('');
  const shade = (i: number) => {
    const share = i / Math.max(1, lines.length - 1);
    return colours === 'hot'
      ? `hsl(${48 - 36 * share} 85% ${66 - 12 * share}%)`
      : `hsl(${28 + 180 * share} 70% ${66 + 6 * share}%)`;
  };
  /** Names at the ends of their lines, without those that would cover another. */
  const named = $derived.by(() => {
    const placed: { name: string; x: number; y: number; i: number }[] = [];
    for (const [i, line] of lines.entries()) {
      const last = line.points.findLast(([a, b]) => a <= across.most && b >= up.least && b <= up.most);
      if (!last) continue;
      const at = { name: line.name, x: Math.min(x(last[0]) + 5, width - right + 4), y: y(last[1]) + 4, i };
      if (placed.every((p) => Math.abs(p.y - at.y) > 11)) placed.push(at);
    }
    return placed;
  });
  const uid = $props.id();
</script>

<div class="chamber">
  <svg viewBox="0 0 {width} {height}" width="100%" role="img" aria-label={label}>
    <clipPath id="{uid}-plot"
      ><rect x={left} y="24" width={width - left - right} height={height - bottom - 23} /></clipPath
    >
    {#each y.ticks(5) as tick (tick)}
      <line
        x1={left}
        x2={width - right}
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
        >{across.text(tick)}</text
      >
    {/each}
    <text x={left + 4} y="16" font-size="11.5" fill="#e9dccb">{title}</text>
    {#each lines as line, i (line.name)}
      <path
        d={d(line.points)}
        clip-path="url(#{uid}-plot)"
        fill="none"
        stroke={shade(i)}
        stroke-width="2.2"
      />
      {#if listed}<text x={width - 14} y={44 + 17 * i} text-anchor="end" font-size="12" fill={shade(i)}
          >{line.name}</text
        >{/if}
    {/each}
    {#if !listed}
      {#each named as n (n.name)}<text x={n.x} y={n.y} font-size="11.5" fill={shade(n.i)}>{n.name}</text
        >{/each}
    {/if}
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
