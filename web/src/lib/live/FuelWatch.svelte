<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { clock, duration, shortTime } from '$lib/format';
  import { GasStrip, NextTurn, ReplanCard, TurnTable } from '$lib/fuel';
  import type { Setting } from '$lib/fuel/words';
  import AlarmList from './AlarmList.svelte';
  import EntryLog from './EntryLog.svelte';
  import FuelDialogs, { type FuelDialog } from './FuelDialogs.svelte';
  import FuelNowPanel from './FuelNowPanel.svelte';
  import HeatWorkCard from './HeatWorkCard.svelte';
  import LiveChart from './LiveChart.svelte';
  import StandingButtons from './StandingButtons.svelte';
  import WatchLayout from './WatchLayout.svelte';
  import { turnsOf } from './queries';
  import type { Log, Run } from './types';
  import { watching } from './watching.svelte';

  /** A gas firing from the kiln: what to turn next, what was seen, where it is by all of that. */
  interface Props {
    run: Run;
    kiln: string;
    name: string;
  }
  const { run, kiln, name }: Props = $props();

  const id = $derived(run.firingId);
  const unit = $derived(display.unit);
  const firing = watching(() => run, ['firing-turns']);
  const { note } = firing;
  const over = $derived(firing.over);
  const live = $derived(firing.live);
  const turns = createQuery(() => ({
    ...turnsOf(id),
    refetchInterval: over ? (false as const) : 60_000,
    placeholderData: <T,>(before: T) => before
  }));
  const plan = $derived(turns.data ?? null);
  const due = $derived(plan?.turns[plan.due] ?? null);
  const rest = $derived(plan?.turns.filter((t, i) => i >= plan.due || t.minute >= plan.minute - 90) ?? []);
  const isFired = $derived(!over && live?.endMinute === null);
  let dialog: FuelDialog = $state(null);

  /** What is due and where it is change with the minutes. */
  const beat = $derived(over ? 0 : Math.floor(live?.minute ?? 0));
  $effect(() => {
    if (beat > 0) firing.askAgain('firing-turns');
  });

  const turned = (setting: Setting) => {
    dialog = null;
    note({ kind: 'turned', setting });
  };

  /** The curve as it was by all that is known; the chart of every firing draws it. */
  const known = $derived.by((): Log | null => {
    const curve = plan?.estimate?.curve ?? [];
    if (curve.length < 2) return null;
    return {
      segments: [
        curve.map((p) => ({ minute: p.minute, celsius: p.temperature, share: null, setPoint: null }))
      ],
      readings: 0,
      fromMinute: null,
      toMinute: null
    };
  });
  const shown = $derived(
    live
      ? {
          ...live,
          display: plan?.estimate?.temperature ?? live.chamber,
          lastMinute: plan?.estimate?.minute ?? live.minute
        }
      : null
  );
</script>

{#if live && shown}
  <WatchLayout>
    {#snippet first()}
      <AlarmList
        firingId={id}
        alarms={live.alarms.filter(
          (a) => !a.id.startsWith('turn-') || (a.id === 'turn-overdue' && a.until === null)
        )}
        startsAt={run.startsAt}
        {over}
      />
      <FuelNowPanel {run} {live} {plan} {kiln} {name} {unit} />
      {#if plan && isFired}
        <NextTurn
          {plan}
          {due}
          {unit}
          goal={run.goalCone}
          ready={live.state !== 'started'}
          onturned={turned}
          onother={() => (dialog = 'setting')}
          onshutoff={() => (dialog = 'shut-off')}
          onleftout={(row) => note({ kind: 'left-out', subject: String(row.minute), text: row.set })}
        />
        {#if plan.fresh && plan.fresh.says.length > 0}<ReplanCard
            fresh={plan.fresh}
            {unit}
            ontake={() => note({ kind: 'replanned' })}
          />{/if}
        {#if plan.gas}<GasStrip
            gas={plan.gas}
            startsAt={run.startsAt}
            {unit}
            onweighed={(kg) => note({ kind: 'weighed', subject: String(kg) })}
          />{/if}
      {/if}
      <LiveChart {run} live={shown} log={known} {unit} height={over ? 300 : 230} />
    {/snippet}
    {#snippet second()}
      <HeatWorkCard
        {run}
        {live}
        {unit}
        by="by this plan"
        source="Estimated; a cone that is seen down counts more."
        withTimes={!over}
      />
      {#if plan && isFired}
        <details class="card-paper px-3 py-2" open={rest.length < 8}>
          <summary class="cursor-pointer font-serif text-[16px] font-semibold"
            >The turns, until about {shortTime(
              new Date(Date.parse(run.startsAt) + plan.endMinute * 60_000)
            )}</summary
          >
          <TurnTable turns={rest} {unit} goal={run.goalCone} due={due ? rest.indexOf(due) : undefined} />
        </details>
      {/if}
      <EntryLog firingId={id} entries={firing.entries} {unit} {over} />
      {#if !over}<StandingButtons
          firingId={id}
          canStop={isFired && (live.state === 'firing' || live.state === 'started')}
          canOpen={live.state === 'cooling' || live.state === 'stopped'}
          onend={(what) => (dialog = what)}
        />{/if}
    {/snippet}
    {#snippet hand()}
      {#if over}
        <p class="card-paper p-3.5">
          Opened {clock(new Date(run.openedAt ?? ''))}{plan
            ? `, after ${duration(plan.endMinute)} of fire`
            : ''}.
          <a class="link" href="/firings/{id}?stage=read">Read its packs and what came out</a>
        </p>
      {:else}
        <div class="hand many auto-cols-fr grid-flow-col">
          {#if isFired && live.state !== 'started'}<button
              class="key"
              style="color: #ffb49a"
              onclick={() => (dialog = 'wrong')}
              data-testid="wrong">Trouble</button
            >{/if}
          <button class="key" onclick={() => (dialog = 'colour')}>Colour</button>
          <button class="key" onclick={() => (dialog = 'cone')}>Cone</button>
          <button class="key" onclick={() => (dialog = 'sign')}>Air</button>
          <button class="key" onclick={() => (dialog = 'reading')}>Reading</button>
          <button class="key" onclick={() => (dialog = 'note')}>Note</button>
        </div>
      {/if}
    {/snippet}
  </WatchLayout>
  <FuelDialogs
    bind:open={dialog}
    {run}
    {live}
    {shown}
    {plan}
    entries={firing.entries}
    {unit}
    onnote={note}
    onturned={turned}
  />
{:else if firing.error}
  <p class="p-4" role="alert">
    {sayProblem(firing.error)} <button class="link" onclick={firing.again}>Try again</button>
  </p>
{:else}
  <p class="text-soft p-4" aria-live="polite">Looking at the kiln …</p>
{/if}
