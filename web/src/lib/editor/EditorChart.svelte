<script lang="ts">
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import type { Frame } from '$lib/chart/frame';
  import PointHandles, { type Grip } from '$lib/chart/PointHandles.svelte';
  import { degrees, duration } from '$lib/format';
  import { MediaQuery } from 'svelte/reactivity';
  import type { PreviewLoop } from './preview-loop.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import type { TriedFix } from './tried-fix.svelte';
  import { written } from './draft';

  interface Props {
    draft: ScheduleDraft;
    loop: PreviewLoop;
    tried: TriedFix;
    marked: { from: number; to: number } | null;
    selected: number;
  }
  let { draft, loop, tried, marked, selected = $bindable() }: Props = $props();

  let frozen: Frame | null = $state.raw(null);
  const phone = new MediaQuery('max-width: 767px');
  const short = new MediaQuery('max-height: 760px');

  const preview = $derived(loop.preview);
  const steps = $derived(written(draft.body));
  const start = $derived(loop.startsAt ? new Date(loop.startsAt) : null);
  const kiln = $derived(preview?.kiln ?? null);
  /** What the kiln does by itself after the last step belongs to the picture. */
  const curve = $derived(
    preview && kiln ? [...preview.curve, ...kiln.cooling.slice(1)] : (preview?.curve ?? [])
  );
  /** The air: as the kiln has it, else as the steps ask for it. */
  const air = $derived(
    kiln?.airStretches ??
      (steps.some(({ step }) => step.atmosphere && step.atmosphere !== 'oxidising')
        ? (preview?.segments ?? []).map((s, i) => ({
            fromMinute: s.startMinute,
            toMinute: s.endMinute,
            band: steps[i]?.step.atmosphere ?? ('oxidising' as const)
          }))
        : [])
  );
  const stale = $derived(loop.failed !== null || Object.keys(loop.errors).length > 0);
  /** The preview is of steps that were there when it was asked for; only what both have can be held. */
  const grips = $derived(
    steps.map(({ step }) => ({
      rate: step.pace === 'rate',
      target: step.target !== null || step.pace !== 'natural'
    }))
  );

  function grip(index: number, asked: Grip) {
    const at = steps[index];
    const segment = preview?.segments[index];
    if (!at || !segment) return;
    const group = `drag.${at.step.key}`;
    // Keys count from what is written, not from an answer that may still be on its way.
    if ('targetBy' in asked)
      draft.editStep(at.row, { target: Math.round(at.step.target ?? segment.to) + asked.targetBy }, group);
    else if ('holdBy' in asked)
      draft.editStep(at.row, { holdMinutes: Math.max(0, at.step.holdMinutes + asked.holdBy) }, group);
    else if ('target' in asked) draft.editStep(at.row, { target: asked.target }, group);
    else if ('holdMinutes' in asked) draft.editStep(at.row, { holdMinutes: asked.holdMinutes }, group);
    else if (at.step.pace === 'rate') {
      const rate = (Math.abs(segment.to - segment.from) * 60) / asked.rampMinutes;
      // A rate in whole numbers that a controller takes and a person can say; fives where they are fine enough.
      const friendly = rate >= 50 ? Math.round(rate / 5) * 5 : Math.max(1, Math.round(rate));
      draft.editStep(at.row, { rate: friendly }, group);
    }
  }
</script>

{#if preview}
  <div class={['relative transition-opacity', stale && 'opacity-55']} data-testid="chamber">
    <FiringChart
      {curve}
      asked={kiln?.setpoint}
      other={tried.shown?.curve}
      {marked}
      unit={preview.unit}
      bands={preview.bands}
      poweredMinutes={preview.poweredMinutes}
      height={phone.current ? 230 : short.current ? 270 : 316}
      {start}
      {frozen}
      label="The firing over time{kiln ? ` in ${kiln.name}` : ''}: top {degrees(
        preview.peak,
        preview.unit
      )}, {duration(preview.totalMinutes)} in all"
    >
      {#snippet children(frame)}
        {#if air.length > 0}
          {#await import('$lib/fuel/AirStrip.svelte') then { default: AirStrip }}<AirStrip
              {frame}
              stretches={air}
              until={preview.poweredMinutes}
            />{/await}
        {/if}
        <PointHandles
          {frame}
          segments={preview.segments}
          {grips}
          unit={preview.unit}
          selected={steps.findIndex((s) => s.row === selected)}
          onselect={(index) => (selected = steps[index]?.row ?? selected)}
          ongrip={grip}
          ondrag={(held) => {
            frozen = held;
            if (!held) draft.history.endGroup();
          }}
        />
      {/snippet}
    </FiringChart>
    {#if tried.shown}<p class="tried" data-testid="tried">With the fix: {tried.shown.change}</p>{/if}
    {#if loop.failed}<p class="tried" role="status" data-testid="preview-failed">
        Not up to date: {loop.failed}
      </p>{/if}
  </div>
{:else}
  <div class="empty" data-testid="chamber-empty">
    <p>The curve is drawn as you write: a pace, a temperature to go to, how long to stay.</p>
    <p>Or write the whole firing out below, as you would say it.</p>
  </div>
{/if}

<style>
  .tried {
    position: absolute;
    top: 8px;
    right: 14px;
    padding: 2px 8px;
    border-radius: 6px;
    font-size: 13px;
    color: #f3e6d3;
    background: #171310cc;
    pointer-events: none;
  }
  .empty {
    background: radial-gradient(120% 130% at 55% 110%, #3d1b0c 0, #211510 45%, #171310 80%);
    color: #d8c7b3;
    border-radius: var(--radius-box);
    min-height: 230px;
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 4px;
    padding: 24px;
    text-align: center;
  }
</style>
