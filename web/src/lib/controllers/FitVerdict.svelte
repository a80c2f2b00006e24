<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Fit, LoadBody, ScheduleBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration, number } from '$lib/format';

  import { firedAt } from './queries';

  interface Props {
    fit: Fit;
    schedule: ScheduleBody;
    kilnId: number;
    load?: LoadBody | null | undefined;
    controller: string;
  }
  /** How well the schedule can be said to this controller: the curve it will fire beside the wanted one, and what is different. */
  const { fit, schedule, kilnId, load, controller }: Props = $props();

  const unit = $derived(schedule.unit ?? 'C');
  const wanted = createQuery(() => firedAt(kilnId, schedule, load));
  const fitted = createQuery(() => ({
    ...firedAt(kilnId, fit.schedule ?? schedule, load),
    enabled: fit.schedule != null
  }));
  const known = $derived(new Set(wanted.data?.findings.map((f) => f.id)));
  const fresh = $derived(
    (fitted.data?.findings ?? []).filter((f) => !known.has(f.id) && f.severity !== 'note')
  );

  const verdicts = {
    exactly: 'fires this as it is',
    nearly: 'fires nearly this',
    no: 'can’t be told this: its nearest is another firing'
  } as const;
  const said = $derived(
    !fit.program
      ? `${controller} can’t get there.`
      : fit.fits === 'exactly' && fit.changes.some((c) => c.kind === 'rounded')
        ? `${controller} fires this, rounded to what it can be told.`
        : `${controller} ${verdicts[fit.fits as keyof typeof verdicts]}.`
  );
  const apart = $derived.by(() => {
    const { minutes, maxDegrees, coneBefore, coneAfter } = fit.difference;
    const parts = [
      Math.abs(minutes) >= 1 ? `${duration(Math.abs(minutes))} ${minutes > 0 ? 'longer' : 'shorter'}` : null,
      maxDegrees >= 1 ? `at most ${degrees(maxDegrees, unit)} apart` : null,
      coneAfter && coneAfter.words !== coneBefore.words
        ? `cone ${coneAfter.cone} ${coneAfter.words}; wanted was ${coneBefore.words}`
        : null
    ].filter((p) => p !== null);
    return parts.join(', ');
  });
</script>

<section class="grid gap-2" aria-labelledby="verdict" data-testid="fit-verdict">
  <p id="verdict" class={['text-[15px]', fit.fits === 'no' ? 'text-error font-semibold' : 'font-semibold']}>
    {said}
  </p>
  {#if fit.why}<p class="text-[14px]">{fit.why}</p>{/if}
  {#if apart}<p class="text-soft text-[13.5px]">{apart}.</p>{/if}
  {#if fitted.data && wanted.data}
    <FiringChart
      curve={[...fitted.data.curve, ...(fitted.data.kiln?.cooling.slice(1) ?? [])]}
      other={fit.fits === 'exactly' ? undefined : wanted.data.curve}
      {unit}
      bands={fitted.data.bands}
      poweredMinutes={fitted.data.poweredMinutes}
      height={200}
      label="What it will fire: top {degrees(fitted.data.peak, unit)}, power on for {duration(
        fitted.data.poweredMinutes
      )}"
    />
    <p class="text-soft text-[13px]">
      Top {degrees(fitted.data.peak, unit)}, power on for {duration(
        fitted.data.poweredMinutes
      )}{#if fitted.data.kiln}, {number(fitted.data.kiln.energyKwh, 0)} kWh{/if}.{#if fit.fits !== 'exactly'}
        Dotted: as it was planned.{/if}
    </p>
  {/if}
  {#if fit.changes.length}
    <ul class="list-disc pl-5 text-[13.5px]" data-testid="fit-changes" data-units="own">
      {#each fit.changes as change, i (i)}<li>{change.text}</li>{/each}
    </ul>
  {/if}
  {#each fresh as finding (finding.id)}
    <p class="caution"><b>New with this program:</b> {finding.text}</p>
  {/each}
</section>

<style>
  .caution {
    border-left: 4px solid var(--color-warning);
    padding-left: 8px;
    font-size: 13.5px;
  }
</style>
