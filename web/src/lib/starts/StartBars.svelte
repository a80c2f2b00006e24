<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Starts } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { clock, dayName } from '$lib/format';
  import { midnights } from './midnights';
  import { visible } from './visible';

  /** The best starts as bars against the days: when power is cheap, when nobody is in, when each would burn and cool. */
  const { found }: { found: Starts } = $props();

  let width = $state(640);
  const row = 26;
  const first = $derived(new Date(Math.min(...found.starts.map((s) => Date.parse(s.at)))));
  const last = $derived(new Date(Math.max(...found.starts.map((s) => Date.parse(s.openAt)))));
  // Straight from moments: what a scale of time knows besides is not needed, and large.
  const x = $derived(scaleLinear([first.getTime(), last.getTime()], [0, width]));
  const height = $derived(20 + found.starts.length * row + 18);
  const cheapest = $derived(Math.min(...found.prices.map((p) => p.price)));
  const cheap = $derived(
    found.prices.length > 1
      ? visible(
          found.prices.filter((p) => p.price === cheapest),
          x,
          width
        )
      : []
  );
  const alone = $derived(visible(found.alone, x, width));
  const nights = $derived(midnights(first, last, display.zone));
</script>

<div bind:clientWidth={width} class="chamber">
  <svg
    viewBox="0 0 {width} {height}"
    {height}
    width="100%"
    role="img"
    aria-label="The starts against the days"
  >
    {#each cheap as span (span.from)}
      <rect x={span.from} y="18" width={span.width} height={height - 36} fill="#9cc9ab" fill-opacity="0.14" />
    {/each}
    {#each alone as span (span.from)}
      <rect x={span.from} y={height - 16} width={span.width} height="5" fill="#7d7166" rx="2" />
    {/each}
    {#each nights as day (day.getTime())}
      <line
        x1={x(day.getTime())}
        x2={x(day.getTime())}
        y1="4"
        y2={height - 18}
        stroke="#b9ab9c"
        stroke-opacity="0.35"
      />
      <text x={x(day.getTime()) + 5} y="13" font-size="11.5" fill="#d8cbbb">{dayName(day)}</text>
    {/each}
    {#each found.starts as start, i (start.at)}
      {@const [on, top, off, open] = [start.at, start.topAt, start.powerOffAt, start.openAt].map((t) =>
        x(new Date(t).getTime())
      )}
      {@const y = 22 + i * row}
      <rect x={on} {y} width={Math.max(2, (off ?? 0) - (on ?? 0))} height="14" rx="4" fill="#e35418">
        <title>{clock(new Date(start.at))}: power on until {clock(new Date(start.powerOffAt))}</title>
      </rect>
      <line
        x1={off}
        x2={open}
        y1={y + 7}
        y2={y + 7}
        stroke="#b9ab9c"
        stroke-width="3"
        stroke-dasharray="5 5"
      />
      <circle cx={top} cy={y + 7} r="4" fill="#ffe9b4" />
    {/each}
  </svg>
  <p class="key">
    <span><i style:background="#e35418"></i>power on</span>
    <span><i class="dot"></i>top</span>
    <span><i class="dash"></i>cooling</span>
    {#if cheap.length}<span><i style:background="#3f6b51"></i>cheapest hours</span>{/if}
    {#if alone.length}<span><i style:background="#7d7166"></i>nobody in</span>{/if}
  </p>
</div>

<style>
  .chamber {
    background: #171310;
    border-radius: var(--radius-box);
    overflow: hidden;
  }
  .key {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    padding: 0 10px 7px;
    color: #d8cbbb;
    font-size: 12px;
  }
  .key i {
    display: inline-block;
    width: 14px;
    height: 7px;
    border-radius: 3px;
    margin-right: 5px;
    vertical-align: 1px;
  }
  .key .dot {
    width: 8px;
    height: 8px;
    border-radius: 50%;
    background: #ffe9b4;
  }
  .key .dash {
    border-radius: 0;
    height: 0;
    border-top: 3px dashed #b9ab9c;
    vertical-align: 3px;
  }
</style>
