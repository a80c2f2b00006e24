<script lang="ts">
  import { glowAt } from '$lib/chart/glow';
  import { shortTime } from '$lib/format';
  import { hub } from './hub.svelte';
  import type { Live, Run } from './types';
  import { big, doing, late, off } from './words';
  import { toUnit } from '$lib/units';

  /** The one number that is read from two metres, what it should be, and whether it is all right. */
  interface Props {
    run: Run;
    live: Live;
    kiln: string;
    name: string;
    unit: 'C' | 'F';
  }
  const { run, live, kiln, name, unit }: Props = $props();
  const stale = $derived(live.lastMinute !== null && live.minute - live.lastMinute > 3);
  const step = $derived(run.steps[live.step]);
  const verdict = $derived(
    [late(live.deviationMinutes), live.endMinute === null ? off(live.deviationC, unit) : '']
      .filter(Boolean)
      .join(', ')
  );
  /** What is measured wrong is compared with nothing. */
  const blind = $derived(live.alarms.some((a) => a.until === null && a.id.startsWith('tc-')));
</script>

<section class="hero" aria-label="Now">
  <p class="names"><b>{kiln}</b><span>{name}</span></p>
  <p
    class="now"
    data-unit={unit}
    data-testid="live-temperature"
    style:color={live.display === null
      ? '#b9ab9c'
      : live.display > 480
        ? glowAt(toUnit(live.display, unit), unit)
        : '#f1e6d8'}
  >
    {big(live.display, unit)}
  </p>
  <p class="asked" data-testid="live-doing">
    {doing(live, step?.target, unit)}{#if live.setPoint !== null && live.phase !== 'hold'}<span
        >{` · the controller should show ${big(live.setPoint, unit)}`}</span
      >{/if}
  </p>
  <p class="verdict" data-testid="live-verdict">
    {#if live.state === 'started'}Waiting: it starts {shortTime(new Date(run.startsAt))}
    {:else if blind}<b class="behind">The display cannot be trusted</b>
    {:else if verdict && live.endMinute === null}<b class:behind={verdict !== 'on plan'}>{verdict}</b>
    {:else if live.endMinute !== null && live.state !== 'opened'}<b class="behind">Hot: do not open</b>{/if}
    {#if stale && live.state !== 'opened'}<span class="stale"
        >no reading for {Math.round(live.minute - (live.lastMinute ?? 0))} min</span
      >{/if}
    {#if !hub.connected}<span class="stale" data-testid="offline">no connection: shown as last heard</span
      >{/if}
  </p>
</section>

<style>
  .hero {
    background: #171310;
    color: #e9dccb;
    border-radius: var(--radius-box);
    padding: 14px 18px;
  }
  .names {
    display: flex;
    justify-content: space-between;
    gap: 12px;
  }
  .names span {
    color: #b9ab9c;
    text-align: right;
  }
  .now {
    font-family: 'Fraunces Variable', Fraunces, serif;
    font-size: clamp(84px, 26vw, 132px);
    font-weight: 650;
    line-height: 1.02;
    font-variant-numeric: tabular-nums lining-nums;
    letter-spacing: -0.02em;
  }
  .now::after {
    content: attr(data-unit);
    font-size: 0.34em;
    font-weight: 500;
    color: #b9ab9c;
  }
  .asked {
    font-size: 18px;
  }
  .asked span {
    color: #b9ab9c;
  }
  .verdict {
    min-height: 26px;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    font-size: 18px;
    color: #bcd3b4;
  }
  .behind {
    color: #ffb27a;
  }
  .stale {
    color: #ff9d6b;
  }
  @media (min-width: 768px) {
    .now {
      font-size: 112px;
    }
  }
</style>
