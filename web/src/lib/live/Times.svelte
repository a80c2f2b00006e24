<script lang="ts">
  import type { Live, Run } from './types';
  import { big, expected } from './words';

  /** When what comes: top, power off, safe to open, with how sure. */
  interface Props {
    run: Run;
    live: Live;
    unit: 'C' | 'F';
  }
  const { run, live, unit }: Props = $props();
  const now = $derived(new Date(live.at ?? run.startsAt));
</script>

{#if live.forecast}
  <dl class="times" data-testid="times">
    {#if live.topMinute === null}<dt>{expected(run.startsAt, live.forecast.top, now)}</dt>
      <dd>top</dd>{/if}
    {#if live.endMinute === null}
      {#if live.forecast.endHoldAt !== null && live.phase === 'hold'}
        <dt>
          {expected(
            run.startsAt,
            { p10: live.forecast.endHoldAt, p50: live.forecast.endHoldAt, p90: live.forecast.endHoldAt },
            now
          )}
        </dt>
        <dd>end the hold here for the goal cone</dd>
      {/if}
      <dt>{expected(run.startsAt, live.forecast.end, now)}</dt>
      <dd>{run.heat === 'fuel' ? 'burners out' : 'power off'}</dd>
    {/if}
    <dt>{expected(run.startsAt, live.forecast.open, now)}</dt>
    <dd>safe to open ({big(run.opensAtCelsius, unit)})</dd>
  </dl>
{/if}

<style>
  .times {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 3px 14px;
    font-variant-numeric: tabular-nums;
  }
  dt {
    font-weight: 700;
  }
  dd {
    opacity: 0.8;
  }
</style>
