<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { when, yearsBetween } from '$lib/format';

  /** One number over the years, a dot for each firing. */
  interface Props {
    title: string;
    points: readonly { at: number; value: number; name: string; id: number }[];
    say: (value: number) => string;
    /** Nought is drawn: it is off to either side of it. */
    zero?: boolean;
    height?: number;
  }
  const { title, points, say, zero = false, height = 118 }: Props = $props();

  const [width, left, bottom] = [260, 50, 20];
  const values = $derived([...points.map((p) => p.value), ...(zero ? [0] : [])]);
  const spread = $derived([Math.min(...values), Math.max(...values)] as const);
  const room = $derived(Math.max(1e-6, (spread[1] - spread[0]) * 0.12));
  const x = $derived(
    scaleLinear(
      [points[0]?.at ?? 0, Math.max((points[0]?.at ?? 0) + 1, points.at(-1)?.at ?? 1)],
      [left + 6, width - 8]
    )
  );
  const y = $derived(scaleLinear([spread[0] - room, spread[1] + room], [height - bottom - 4, 8]));
  const last = $derived(points.at(-1));
  /** Two or three values to read it by, each said once. */
  const marks = $derived(
    y
      .ticks(3)
      .map((value) => ({ value, text: say(value) }))
      .filter((m, i, all) => all.findIndex((other) => other.text === m.text) === i)
  );
  const years = $derived(yearsBetween(points[0]?.at ?? 0, last?.at ?? 0));
</script>

{#if points.length > 1 && last}
  <figure class="card-paper px-3 py-2">
    <figcaption class="flex items-baseline justify-between gap-2 text-[13px]">
      <span>{title}</span><b>{say(last.value)}</b>
    </figcaption>
    <svg
      viewBox="0 0 {width} {height}"
      role="group"
      aria-label="{title}: from {say(points[0]?.value ?? 0)} to {say(
        last.value
      )} over {points.length} firings"
    >
      {#each marks as mark (mark.value)}
        <line x1={left} x2={width - 8} y1={y(mark.value)} y2={y(mark.value)} class="mark" />
        <text x={left - 5} y={y(mark.value) + 3.5} text-anchor="end">{mark.text}</text>
      {/each}
      {#each years as year (year.at)}
        <line x1={x(year.at)} x2={x(year.at)} y1="8" y2={height - bottom} class="mark" />
        <text x={x(year.at)} y={height - 6} text-anchor="middle">{year.text}</text>
      {/each}
      {#if zero}<line x1={left} x2={width - 8} y1={y(0)} y2={y(0)} class="zero" />{/if}
      <polyline
        points={points.map((p) => `${x(p.at).toFixed(1)},${y(p.value).toFixed(1)}`).join(' ')}
        class="line"
      />
      {#each points as p (p.id)}
        <a href="/firings/{p.id}?stage=read" aria-label="{p.name}: {say(p.value)}"
          ><circle cx={x(p.at)} cy={y(p.value)} r="4"
            ><title>{p.name}, {when(new Date(p.at))}: {say(p.value)}</title></circle
          ></a
        >
      {/each}
    </svg>
  </figure>
{/if}

<style>
  svg {
    width: 100%;
    display: block;
  }
  .line {
    fill: none;
    stroke: var(--color-base-300);
    stroke-width: 1.5;
  }
  .mark {
    stroke: var(--color-base-300);
    stroke-opacity: 0.6;
  }
  text {
    font-size: 10.5px;
    fill: var(--color-soft);
    font-variant-numeric: tabular-nums;
  }
  .zero {
    stroke: var(--color-base-300);
    stroke-dasharray: 3 4;
  }
  circle {
    fill: var(--color-primary);
  }
  a:hover circle {
    fill: var(--color-base-content);
  }
</style>
