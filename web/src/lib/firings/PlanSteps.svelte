<script lang="ts">
  import type { Plan, Preview, Unit } from '$lib/api/client';
  import { BasisNote } from '$lib/findings';
  import { clock, degrees, duration, hold, number } from '$lib/format';
  import { airNames } from '$lib/fuel/words';
  import PaceChart from './PaceChart.svelte';

  /** The proposed steps as sentences, each with its reason; where somebody has to look, when. */
  interface Props {
    plan: Plan;
    preview: Preview;
    unit: Unit;
    onpoint: (stretch: { from: number; to: number } | null) => void;
  }
  const { plan, preview, unit, onpoint }: Props = $props();

  type Step = NonNullable<NonNullable<Plan['schedule']['segments']>[number]>;
  const air = (step: Step) => (step.atmosphere ? ` in ${airNames[step.atmosphere]}` : '');
  const held = (step: Step) => (step.holdMinutes ? `, hold ${hold(step.holdMinutes)}` : '');
  const off = $derived(preview.kiln?.fuel ? 'Burners out, closed up' : 'Power off');
  const say = (step: Step, direction: string | undefined) =>
    step.pace === 'natural'
      ? step.target === null || step.target === undefined
        ? `${off}, until it may be opened`
        : `${off}, down to ${degrees(step.target, unit)}${held(step)}`
      : direction === 'level'
        ? `Stay at ${degrees(step.target ?? 0, unit)} for ${hold(step.holdMinutes) || 'no time'}`
        : step.pace === 'full'
          ? `Full power to ${degrees(step.target ?? 0, unit)}${held(step)}`
          : `${direction === 'down' ? 'Cool' : 'Climb'} ${number(step.rate ?? 0)} °${unit}/h to ${degrees(step.target ?? 0, unit)}${held(step)}`;

  /** When to look for steam: by the clock where a start is known. */
  const look = (minute: number) =>
    preview.startsAt
      ? clock(new Date(Date.parse(preview.startsAt) + minute * 60_000))
      : `${duration(minute)} in`;
</script>

<ol class="card-paper" data-testid="plan">
  {#each plan.schedule.segments ?? [] as step, i (i)}
    {@const times = preview.segments[i]}
    {@const caution = preview.cautions.find((c) => c.segment === i)}
    {#if step}
      <li
        onpointerenter={() => times && onpoint({ from: times.startMinute, to: times.endMinute })}
        onpointerleave={() => onpoint(null)}
      >
        <span class="text-soft font-bold">{i + 1}</span>
        <span class="font-semibold"
          >{say(step, times?.direction)}{air(step)}{#if plan.steps[i]?.lookMinute != null}<span
              class="text-primary block text-[13px]"
              data-testid="look">Look for steam: {look(plan.steps[i]?.lookMinute ?? 0)}</span
            >{/if}</span
        >
        <span class="text-soft why"
          >{plan.steps[i]?.why}{#if plan.steps[i]?.basis}<BasisNote basis={plan.steps[i].basis}
              >{#if plan.steps[i].paces.length}<PaceChart
                  paces={plan.steps[i].paces}
                  asked={step.pace === 'rate' ? (step.rate ?? null) : null}
                  {unit}
                />{/if}</BasisNote
            >{/if}{#if caution}<span class="caution">{caution.text}</span>{/if}</span
        >
        <span class="text-right whitespace-nowrap"
          ><b class="font-semibold">{times ? duration(times.rampMinutes + times.holdMinutes) : ''}</b>
          {#if times?.startsAt}<span class="text-soft block text-[12px]"
              >{clock(new Date(times.startsAt))}</span
            >{/if}</span
        >
      </li>
    {/if}
  {/each}
</ol>

<style>
  li {
    display: grid;
    grid-template-columns: 22px minmax(190px, 0.8fr) minmax(0, 1.4fr) 74px;
    gap: 2px 10px;
    padding: 8px 12px;
    font-size: 14px;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-300) 65%, transparent);
  }
  li:last-child {
    border: 0;
  }
  .why {
    font-size: 13px;
  }
  .caution {
    display: block;
    margin-top: 2px;
    padding-left: 8px;
    border-left: 3px solid var(--color-warning);
  }
  @media (max-width: 767px) {
    li {
      grid-template-columns: 20px minmax(0, 1fr) auto;
    }
    .why {
      grid-column: 2 / -1;
      grid-row: 2;
    }
  }
</style>
