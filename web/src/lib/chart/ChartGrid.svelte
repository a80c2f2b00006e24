<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import { temperatureTicks, timeTicks, type Frame } from './frame';

  /** The scales of a firing chart, and the bands in which the ware wants care. */
  interface Props {
    frame: Frame;
    start: Date | null;
    bands: Preview['bands'];
  }
  const { frame, start, bands }: Props = $props();

  const plotRight = $derived(frame.width - frame.right);
</script>

{#each temperatureTicks(frame) as t (t)}
  <line
    x1={frame.left}
    x2={plotRight}
    y1={frame.y(t)}
    y2={frame.y(t)}
    stroke="currentColor"
    stroke-opacity="0.09"
  />
  <text x={frame.left - 8} y={frame.y(t) + 4} text-anchor="end" font-size="11.5" fill="currentColor">{t}</text
  >
{/each}
{#each timeTicks(frame, start) as tick (tick.minute)}
  {@const x = frame.x(tick.minute)}
  <line
    x1={x}
    x2={x}
    y1={frame.top}
    y2={frame.height - frame.bottom}
    stroke="currentColor"
    stroke-opacity={tick.midnight ? 0.3 : 0.06}
  />
  {#if x < plotRight - 14}
    <text
      {x}
      y={frame.height - 8}
      text-anchor={x < frame.left + 12 ? 'start' : 'middle'}
      font-size="11.5"
      font-weight={tick.midnight ? 700 : 400}
      fill="currentColor">{tick.text}</text
    >
  {/if}
{/each}
{#each bands as band (band.name)}
  {@const top = Math.max(frame.y(band.to), frame.top)}
  {@const bottom = frame.y(band.from)}
  {#if bottom > frame.top + 4}
    <rect
      x={frame.left}
      y={top}
      width={plotRight - frame.left}
      height={Math.max(1, bottom - top)}
      fill="currentColor"
      fill-opacity="0.06"
    >
      <title>{band.name}: {band.why}</title>
    </rect>
    <text
      x={plotRight - 8}
      y={(top + bottom) / 2 + 4}
      text-anchor="end"
      font-size="11.5"
      fill="currentColor"
      fill-opacity="0.9">{band.name}</text
    >
  {/if}
{/each}
