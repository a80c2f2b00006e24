<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { api, sayProblem } from '$lib/api/client';
  import { ConeRow } from '$lib/cones';
  import { display } from '$lib/display.svelte';
  import { clock, duration, shortTime } from '$lib/format';
  import FuelNowPanel from './FuelNowPanel.svelte';
  import {
    GasStrip,
    NextTurn,
    ReplanCard,
    SettingDialog,
    ShutOffDialog,
    SignDialog,
    TurnTable,
    WrongDialog
  } from '$lib/fuel';
  import { type Setting, type Wrong } from '$lib/fuel/words';
  import AlarmList from './AlarmList.svelte';
  import EndDialog from './EndDialog.svelte';
  import EntryLog from './EntryLog.svelte';
  import EntrySheet from './EntrySheet.svelte';
  import { hub } from './hub.svelte';
  import LiveChart from './LiveChart.svelte';
  import { outbox } from './outbox.svelte';
  import { entriesOf, liveOf } from './queries';
  import AlarmSound from './AlarmSound.svelte';
  import Times from './Times.svelte';
  import type { EntryRequest, Log, Run } from './types';

  /** A gas firing from the kiln: what to turn next, what was seen, where it is by all of that. */
  interface Props {
    run: Run;
    kiln: string;
    name: string;
  }
  const { run, kiln, name }: Props = $props();

  const client = useQueryClient();
  const id = $derived(run.firingId);
  const unit = $derived(display.unit);
  const over = $derived(run.openedAt !== null);
  const asked = createQuery(() => liveOf(id));
  // What is noted on another device is seen here as well.
  const entries = createQuery(() => ({ ...entriesOf(id), refetchInterval: run.openedAt ? false : 15_000 }));
  const turns = createQuery(() => ({
    queryKey: ['firing-turns', id],
    refetchInterval: over ? (false as const) : 60_000,
    placeholderData: <T,>(before: T) => before,
    queryFn: async () => {
      const { data, error } = await api.GET('/api/firings/{id}/turns', { params: { path: { id } } });
      if (!data) throw error;
      return data;
    }
  }));
  let dialog:
    | 'wrong'
    | 'setting'
    | 'colour'
    | 'cone'
    | 'sign'
    | 'reading'
    | 'note'
    | 'shut-off'
    | 'stop'
    | 'open'
    | null = $state(null);
  const live = $derived(hub.told[id] ?? asked.data ?? null);
  const plan = $derived(turns.data ?? null);
  const due = $derived(plan?.turns[plan.due] ?? null);
  const rest = $derived(plan?.turns.filter((t, i) => i >= plan.due || t.minute >= plan.minute - 90) ?? []);

  onMount(() => {
    void hub.open();
    outbox.open();
    const again = () => {
      for (const key of ['live', 'entries', 'firing-turns'])
        void client.invalidateQueries({ queryKey: [key, id] });
    };
    const missed = hub.onback(again);
    const sent = outbox.onsent((firing) => firing === id && again());
    return () => {
      missed();
      sent();
    };
  });

  /** What is due and where it is change with the minutes. */
  const beat = $derived(over ? 0 : Math.floor(live?.minute ?? 0));
  $effect(() => {
    if (beat > 0) void client.invalidateQueries({ queryKey: ['firing-turns', id] });
  });

  /** A change of state is told by the firing itself. */
  const stands = $derived(live?.state);
  $effect(() => {
    if (stands && stands !== run.state) void client.invalidateQueries({ queryKey: ['run', id] });
  });

  const blank = { at: null, celsius: null, subject: null, text: null, setting: null };
  const note = (entry: Partial<EntryRequest> & Pick<EntryRequest, 'kind'>, photo?: Blob) =>
    void outbox.note(id, { ...blank, ...entry }, photo);
  const turned = (setting: Setting) => {
    dialog = null;
    note({ kind: 'turned', setting });
  };

  /** It is in the log; and what the estimate can reckon with is noted as that. */
  function isWrong(wrong: Wrong) {
    const last = entries.data?.findLast((e) => e.kind === 'turned')?.setting ?? null;
    dialog = null;
    note({ kind: 'note', text: `Wrong: ${wrong.name.toLowerCase()}` });
    switch (wrong.then) {
      case 'shut-off':
        dialog = 'shut-off';
        break;
      case 'one-less':
        if (last && (last.lit ?? 0) > 1) turned({ ...last, lit: (last.lit ?? 0) - 1 });
        else dialog = 'setting';
        break;
      case 'flame-at-flue':
      case 'flame-at-ports':
        note({ kind: 'air-sign', subject: wrong.then });
        dialog = 'setting';
        break;
      default:
        break;
    }
  }

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
  const canOpen = $derived(live?.state === 'cooling' || live?.state === 'stopped');
  const toGoal = $derived(live?.forecast?.cones.find((c) => c.cone === run.goalCone) ?? null);
</script>

{#if live && shown}
  <div class="watch">
    <div class="first">
      <AlarmList
        firingId={id}
        alarms={live.alarms.filter(
          (a) => !a.id.startsWith('turn-') || (a.id === 'turn-overdue' && a.until === null)
        )}
        startsAt={run.startsAt}
        {over}
      />
      <FuelNowPanel {run} {live} {plan} {kiln} {name} {unit} />
      {#if plan && !over && live.endMinute === null}
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
      {/if}
      {#if plan?.gas && !over && live.endMinute === null}<GasStrip
          gas={plan.gas}
          startsAt={run.startsAt}
          {unit}
          onweighed={(kg) => note({ kind: 'weighed', subject: String(kg) })}
        />{/if}
      <LiveChart {run} live={shown} log={known} {unit} height={over ? 300 : 230} />
    </div>
    <div class="second">
      <section class="card-paper p-3.5" aria-label="Heat work">
        {#if live.cones.length > 0}
          <ConeRow
            cones={live.cones.map((c) => ({
              cone: c.cone,
              progress: c.progress,
              bendDegrees: c.bendDegrees,
              clock: c.bendDegrees / 15,
              words: c.phrase
            }))}
            goal={run.goalCone}
          />
          {#if toGoal && live.endMinute === null}<p class="mt-2">
              At the end by this plan: cone {toGoal.cone} <b>{toGoal.phrase}</b>
            </p>{/if}
          <p class="text-soft mt-1 text-[13.5px]">Estimated; a cone that is seen down counts more.</p>
        {:else}<p class="text-soft">No goal cone: heat work is not counted.</p>{/if}
        {#if !over}<div class="mt-3 border-t pt-3"><Times {run} {live} {unit} /></div>{/if}
      </section>
      {#if plan && !over && live.endMinute === null}
        <details class="card-paper px-3 py-2" open={rest.length < 8}>
          <summary class="cursor-pointer font-serif text-[16px] font-semibold"
            >The turns, until about {shortTime(
              new Date(Date.parse(run.startsAt) + plan.endMinute * 60_000)
            )}</summary
          >
          <TurnTable turns={rest} {unit} goal={run.goalCone} due={due ? rest.indexOf(due) : undefined} />
        </details>
      {/if}
      <EntryLog firingId={id} entries={entries.data ?? []} {unit} {over} />
      {#if !over}
        <AlarmSound />
        <div class="flex flex-wrap gap-2">
          {#if live.endMinute === null && (live.state === 'firing' || live.state === 'started')}<button
              class="btn btn-ghost text-error"
              onclick={() => (dialog = 'stop')}>Stop this firing</button
            >{/if}
          {#if canOpen}<button class="btn btn-ghost" onclick={() => (dialog = 'open')}>Kiln opened</button
            >{/if}
          <a class="btn btn-ghost" href="/firings/{id}/tag">Print the tag</a>
        </div>
      {/if}
    </div>
    {#if !over}
      <div class="hand">
        {#if live.endMinute === null && live.state !== 'started'}<button
            class="wrong"
            onclick={() => (dialog = 'wrong')}
            data-testid="wrong">Trouble</button
          >{/if}
        <button onclick={() => (dialog = 'colour')}>Colour</button>
        <button onclick={() => (dialog = 'cone')}>Cone</button>
        <button onclick={() => (dialog = 'sign')}>Air</button>
        <button onclick={() => (dialog = 'reading')}>Reading</button>
        <button onclick={() => (dialog = 'note')}>Note</button>
      </div>
    {:else}
      <p class="card-paper p-3.5">
        Opened {clock(new Date(run.openedAt ?? ''))}{plan
          ? `, after ${duration(plan.endMinute)} of fire`
          : ''}.
        <a class="link" href="/firings/{id}?stage=read">Read its packs and what came out</a>
      </p>
    {/if}
  </div>
  {#if dialog === 'setting' && plan}<SettingDialog
      hands={plan.hands}
      from={due ?? plan.turns[0] ?? null}
      onturned={turned}
      onclose={() => (dialog = null)}
    />
  {:else if dialog === 'shut-off'}<ShutOffDialog
      onshut={() => turned({ flame: 'off', lit: 0, pressureBar: 0, damper: 0 })}
      onclose={() => (dialog = null)}
    />
  {:else if dialog === 'wrong'}<WrongDialog onnote={isWrong} onclose={() => (dialog = null)} />
  {:else if dialog === 'sign'}<SignDialog
      onsign={(sign) => {
        dialog = null;
        note({ kind: 'air-sign', subject: sign });
      }}
      onclose={() => (dialog = null)}
    />
  {:else if dialog === 'stop' || dialog === 'open'}<EndDialog
      what={dialog}
      {run}
      {live}
      {unit}
      entries={entries.data ?? []}
      isFuel
      onclose={() => (dialog = null)}
    />
  {:else if dialog === 'colour' || dialog === 'cone' || dialog === 'reading' || dialog === 'note'}<EntrySheet
      what={dialog}
      live={shown}
      {unit}
      cones={['010', '08', ...live.cones.map((c) => c.cone)]}
      onnote={(entry, photo) => note(entry, photo)}
      onclose={() => (dialog = null)}
    />{/if}
{:else if asked.isError}
  <p class="p-4" role="alert">
    {sayProblem(asked.error)} <button class="link" onclick={() => asked.refetch()}>Try again</button>
  </p>
{:else}
  <p class="text-soft p-4" aria-live="polite">Looking at the kiln …</p>
{/if}

<style>
  .watch {
    display: grid;
    gap: 12px;
    grid-template-columns: minmax(0, 1.5fr) minmax(300px, 1fr);
    align-items: start;
  }
  .first,
  .second {
    display: grid;
    gap: 10px;
    min-width: 0;
  }
  .hand {
    grid-column: 1 / -1;
    position: sticky;
    bottom: 0;
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
    gap: 8px;
    padding: 8px 0;
    background: var(--color-base-200);
    z-index: 5;
  }
  .hand button {
    min-height: 52px;
    border-radius: 12px;
    background: #2a2320;
    color: #f1e6d8;
    font-weight: 650;
    font-size: 15.5px;
    cursor: pointer;
  }
  .hand .wrong {
    color: #ffb49a;
  }
  @media screen and (max-width: 767px) {
    .watch {
      grid-template-columns: minmax(0, 1fr);
      padding-bottom: 80px;
    }
    .hand {
      position: fixed;
      left: 0;
      right: 0;
      bottom: 64px;
      padding: 8px 10px;
      gap: 5px;
    }
    .hand button {
      font-size: 14px;
    }
  }
</style>
