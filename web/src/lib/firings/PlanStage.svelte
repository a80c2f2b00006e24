<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { api, sayProblem, type FiringBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { keepKiln } from '$lib/desk/keep';
  import { degrees, duration, hold, number } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import { schools } from './queries';

  /** The proposed schedule with its reasons, and the choices practitioners differ on. */
  const { draft }: { draft: FiringDraft } = $props();

  const ways = createQuery(schools);
  const choices = [
    { name: 'drying', label: 'Drying', for: ['drying', 'bisque', 'once-fired'] },
    { name: 'approach', label: 'To the top', for: ['bisque', 'glaze', 'once-fired'] },
    { name: 'cooling', label: 'Cooling', for: ['bisque', 'glaze', 'once-fired'] }
  ] as const;
  const shown = $derived(choices.filter((c) => c.for.some((k) => k === draft.body.kind)));
  const unit = $derived(draft.body.unit ?? 'C');
  const plan = $derived(draft.plan);
  const preview = $derived(draft.preview);
  const trouble = $derived(Object.values(draft.planErrors));
  const change = $derived.by(() => {
    if (!draft.before || !preview) return null;
    const hours = preview.totalMinutes / 60 - draft.before.hours;
    const top = preview.peak - draft.before.top;
    if (Math.abs(hours) < 0.1 && Math.abs(top) < 0.5) return null;
    return `${hours >= 0 ? '+' : '−'}${number(Math.abs(hours))} h, top ${top >= 0 ? '+' : '−'}${number(Math.abs(top), 0)} °${unit}`;
  });

  type Step = NonNullable<NonNullable<NonNullable<typeof plan>['schedule']['segments']>[number]>;
  const say = (step: Step, direction: string | undefined) =>
    step.pace === 'natural'
      ? step.target === null || step.target === undefined
        ? 'Power off, until it may be opened'
        : `Power off, down to ${degrees(step.target, unit)}`
      : direction === 'level'
        ? `Stay at ${degrees(step.target ?? 0, unit)} for ${hold(step.holdMinutes) || 'no time'}`
        : step.pace === 'full'
          ? `Full power to ${degrees(step.target ?? 0, unit)}`
          : `${direction === 'down' ? 'Cool' : 'Climb'} ${number(step.rate ?? 0)} °${unit}/h to ${degrees(step.target ?? 0, unit)}${step.holdMinutes ? `, hold ${hold(step.holdMinutes)}` : ''}`;

  /** Onto the desk, where every number can be changed; a firing keeps one schedule of its own. */
  async function toDesk() {
    if (!plan) return;
    const body = { ...plan.schedule, name: draft.body.name ?? 'Planned' };
    const known = draft.body.scheduleId;
    const over = known
      ? await api.PUT('/api/schedules/{id}', {
          params: { path: { id: known } },
          headers: { 'If-Match': '*' },
          body
        })
      : null;
    const answer = over?.data ? over : await api.POST('/api/schedules', { body });
    if (!answer.data) return toasts.show(sayProblem(answer.error), { tone: 'error' });
    keepKiln(answer.data.id, { kilnId: draft.body.kilnId ?? null, fill: 1, firingId: draft.id });
    draft.edit({ scheduleId: answer.data.id });
    await draft.store();
    void goto(`/schedules/${answer.data.id}`);
  }
</script>

<div class="stage">
  <div class="grid content-start gap-2.5">
    {#if plan && preview}
      <FiringChart
        curve={[...preview.curve, ...(preview.kiln?.cooling.slice(1) ?? [])]}
        asked={preview.kiln?.setpoint}
        unit={preview.unit}
        bands={preview.bands}
        poweredMinutes={preview.poweredMinutes}
        height={270}
        label="The proposed firing: top {degrees(preview.peak, preview.unit)}, {duration(
          preview.totalMinutes
        )} in all"
      />
      <ol class="card-paper" data-testid="plan">
        {#each plan.schedule.segments ?? [] as step, i (i)}
          {@const times = preview.segments[i]}
          {#if step}
            <li>
              <span class="text-soft font-bold">{i + 1}</span>
              <span class="font-semibold">{say(step, times?.direction)}</span>
              <span class="text-soft why">{plan.steps[i]?.why}</span>
              <span class="text-right font-semibold whitespace-nowrap"
                >{times ? duration(times.rampMinutes + times.holdMinutes) : ''}</span
              >
            </li>
          {/if}
        {/each}
      </ol>
    {:else}
      <div class="card-paper p-5" data-testid="no-plan">
        {#each trouble as text (text)}<p class="text-error" role="alert">{text}</p>{:else}<p
            class="text-soft"
          >
            The plan appears with the load.
          </p>{/each}
      </div>
    {/if}
  </div>
  <aside class="grid content-start gap-2.5">
    {#if plan && preview}
      <section
        class="card-paper px-3.5 py-2.5 text-[13.5px]"
        aria-labelledby="the-plan"
        data-testid="plan-sum"
      >
        <h2 id="the-plan" class="mb-1 text-[15px]">The plan</h2>
        <p>
          {#if plan.schedule.goalCone}<b>Cone {plan.schedule.goalCone}.</b>{/if}
          {#if plan.goalWhy}<span class="text-soft">{plan.goalWhy}</span>{/if}
        </p>
        <p class="mt-1">
          Top <b>{degrees(preview.peak, preview.unit)}</b>, power on for
          <b>{duration(preview.poweredMinutes)}</b>{#if preview.kiln}, <b
              >{number(preview.kiln.energyKwh, 0)} kWh</b
            >{/if}.
          {#if change}<span class="text-primary font-semibold" data-testid="plan-change">{change}</span>{/if}
        </p>
        {#each preview.findings as finding (finding.id + finding.segment)}<p class="text-warning mt-1">
            Step {finding.segment + 1}. {finding.text}
          </p>{/each}
        <button class="btn btn-sm btn-primary mt-2 w-full" data-testid="to-desk" onclick={() => void toDesk()}
          >{draft.body.scheduleId ? 'Put it on the desk again' : 'Put it on the desk'}</button
        >
      </section>
    {/if}
    <section class="card-paper grid gap-2 px-3.5 py-2.5 text-[13.5px]" aria-labelledby="choices">
      <h2 id="choices" class="text-[15px]">What people differ on</h2>
      {#each shown as choice (choice.name)}
        {@const now = draft.body[choice.name] ?? ways.data?.find((w) => w.choice === choice.name)?.way ?? ''}
        <label class="grid gap-0.5">
          <span class="font-semibold">{choice.label}</span>
          <select
            class="select select-sm w-full"
            value={now}
            data-testid="choice-{choice.name}"
            onchange={(e) => draft.edit({ [choice.name]: e.currentTarget.value } as Partial<FiringBody>)}
          >
            {#each (ways.data ?? []).filter((w) => w.choice === choice.name) as way (way.way)}<option
                value={way.way}>{way.name}</option
              >{/each}
          </select>
          <span class="text-soft text-[12.5px]"
            >{ways.data?.find((w) => w.choice === choice.name && w.way === now)?.why}</span
          >
        </label>
      {/each}
      <div class="flex gap-4">
        {#if draft.body.kind !== 'drying'}
          <label class="flex items-center gap-2"
            >Hold, min
            <input
              class="input input-sm w-16 text-right"
              inputmode="decimal"
              placeholder="auto"
              value={draft.body.holdMinutes ?? ''}
              onchange={(e) =>
                draft.edit({
                  holdMinutes: e.currentTarget.value.trim() === '' ? null : Number(e.currentTarget.value)
                })}
            />
          </label>
        {/if}
        <label class="flex items-center gap-2"
          >Steps
          <input
            class="input input-sm w-14 text-right"
            inputmode="numeric"
            value={draft.body.maxSteps ?? 20}
            onchange={(e) => draft.edit({ maxSteps: Math.round(Number(e.currentTarget.value)) || null })}
          />
        </label>
      </div>
    </section>
    <p class="text-soft text-[12.5px]">
      All of this is reckoned; the look for steam, the cones and the kiln maker's manual have the last word.
    </p>
  </aside>
</div>

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 14px;
  }
  li {
    display: grid;
    grid-template-columns: 22px minmax(190px, 0.8fr) minmax(0, 1.4fr) 62px;
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
  @media (max-width: 1023px) {
    .stage {
      grid-template-columns: minmax(0, 1fr);
    }
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
