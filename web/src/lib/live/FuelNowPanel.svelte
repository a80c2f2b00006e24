<script lang="ts">
  import { glowAt } from '$lib/chart/glow';
  import { duration, shortTime } from '$lib/format';
  import { hub } from './hub.svelte';
  import type { Live, Run } from './types';
  import { big, late, off } from './words';
  import { airNames, type FiringTurns } from '$lib/fuel/words';
  import { toUnit } from '$lib/units';

  /** Where a gas firing is, by all that was turned and seen: the one number, how sure it is, and the air. */
  interface Props {
    run: Run;
    live: Live;
    plan: FiringTurns | null;
    kiln: string;
    name: string;
    unit: 'C' | 'F';
  }
  const { run, live, plan, kiln, name, unit }: Props = $props();
  const estimate = $derived(plan?.estimate ?? null);
  const celsius = $derived(estimate?.temperature ?? null);
  const reducing = $derived(
    plan && plan.reducingSince !== null && live.endMinute === null ? plan.minute - plan.reducingSince : null
  );
  // A turn-up firing goes by tens of minutes: less is on plan.
  const isLate = $derived(Math.abs(live.deviationMinutes ?? 0) > 15);
  const apart = $derived(Math.abs(live.deviationC ?? 0) > 25 ? off(live.deviationC, unit) : '');
  const isOff = $derived(isLate || apart !== '');
  const now = $derived(plan?.turns[Math.max(0, (plan?.due ?? 1) - 1)] ?? null);
</script>

<section class="hero" aria-label="Now">
  <p class="names"><b>{kiln}</b><span>{name}</span></p>
  <p
    class="now"
    data-testid="live-temperature"
    style:color={celsius === null
      ? '#b9ab9c'
      : celsius > 480
        ? glowAt(toUnit(celsius, unit), unit)
        : '#f1e6d8'}
  >
    {celsius === null ? '–' : `about ${big(celsius, unit)}`}
  </p>
  <p class="asked">
    {#if estimate}{big(estimate.low, unit)} to {big(estimate.high, unit)}, {estimate.colour}{estimate.byThermometer
        ? ''
        : ', by turns and by eye'}
    {:else if live.state === 'started'}Waiting: it starts {shortTime(new Date(run.startsAt))}
    {:else}Nothing lit yet: note the first turn when it is{/if}
  </p>
  <p class="verdict" data-testid="live-verdict">
    {#if live.endMinute !== null}<b class:far={live.state !== 'opened'}
        >{live.state === 'opened' ? 'Opened' : 'Hot: do not open'}</b
      >
    {:else if estimate && live.deviationC !== null}<b class:far={isOff}
        >{isOff
          ? [isLate ? late(live.deviationMinutes) : '', apart].filter(Boolean).join(', ')
          : 'on plan'}</b
      >{/if}
    {#if estimate?.lambda && now?.band && live.endMinute === null}<span class="air">{airNames[now.band]}</span
      >{/if}
    {#if reducing !== null && reducing >= 1}<span class="air" data-testid="reducing"
        >in reduction for {duration(reducing)}</span
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
    font-size: clamp(46px, 13vw, 84px);
    font-weight: 650;
    line-height: 1.1;
    font-variant-numeric: tabular-nums lining-nums;
    letter-spacing: -0.02em;
  }
  .asked {
    font-size: 17px;
    color: #cdbfae;
  }
  .verdict {
    min-height: 26px;
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    font-size: 17px;
    color: #bcd3b4;
  }
  .air {
    color: #f0b26a;
  }
  .far {
    color: #ffb27a;
  }
  .stale {
    color: #ff9d6b;
  }
</style>
