<script lang="ts">
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { path } from '$lib/chart/line';
  import { display } from '$lib/display.svelte';
  import { when } from '$lib/format';
  import { shadeOf } from './line-colours';
  import type { Compared } from './queries';
  import { toUnit } from '$lib/units';

  /** Several firings on one chart: the first glowing, the others in shades of their own, told by name. */
  const { compared }: { compared: Compared } = $props();

  const unit = $derived(display.unit);
  /** Nothing begins before nought: all are moved on by the longest way to where they meet. */
  const shift = $derived(Math.max(0, ...compared.firings.map((f) => -(f.curve[0]?.minute ?? 0))));
  const curves = $derived(
    compared.firings.map((f) =>
      f.curve.map((p) => ({ minute: p.minute + shift, temperature: toUnit(p.celsius, unit) }))
    )
  );
</script>

<FiringChart
  curve={curves[0] ?? []}
  beyond={curves.flat()}
  {unit}
  height={320}
  label="{compared.firings.length} firings laid over each other"
>
  {#snippet children(frame)}
    {#each curves.slice(1) as curve, i (compared.firings[i + 1]?.firingId)}
      <path
        d={path(curve, frame)}
        fill="none"
        stroke={shadeOf(i + 1)}
        stroke-width="2.2"
        data-line="compared"
      />
    {/each}
    {#if compared.align !== 'start'}<line
        x1={frame.x(shift)}
        x2={frame.x(shift)}
        y1={frame.y(frame.high)}
        y2={frame.y(frame.low)}
        stroke="#fff2d8"
        stroke-opacity="0.4"
        stroke-dasharray="3 5"
      />{/if}
  {/snippet}
</FiringChart>
<ul class="flex flex-wrap gap-x-5 gap-y-1 text-[13.5px]">
  {#each compared.firings as firing, i (firing.firingId)}
    <li class="flex items-center gap-1.5">
      <i style:background={shadeOf(i)}></i>
      <a class="link" href="/firings/{firing.firingId}?stage=read">{firing.name}</a>
      <span class="text-soft"
        >{when(new Date(firing.startsAt))}{firing.zeroMinute === null ? ', laid at its start' : ''}</span
      >
    </li>
  {/each}
</ul>

<style>
  i {
    width: 16px;
    height: 4px;
    border-radius: 2px;
  }
</style>
