<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { ConeRow } from '$lib/cones';
  import { display } from '$lib/display.svelte';
  import { clock, shortTime } from '$lib/format';
  import AlarmList from './AlarmList.svelte';
  import EntryLog from './EntryLog.svelte';
  import EntrySheet from './EntrySheet.svelte';
  import EndDialog from './EndDialog.svelte';
  import NowPanel from './NowPanel.svelte';
  import { hub } from './hub.svelte';
  import LogDialog from './LogDialog.svelte';
  import LiveChart from './LiveChart.svelte';
  import { outbox } from './outbox.svelte';
  import { entriesOf, liveOf, logOf } from './queries';
  import Replay from './Replay.svelte';
  import AlarmSound from './AlarmSound.svelte';
  import ResumeCard from './ResumeCard.svelte';
  import Times from './Times.svelte';
  import type { EntryRequest, Live, Run } from './types';
  import { toldOnce } from './cut';
  import { alarmName, atMinute } from './words';

  /** A firing under way, followed from the kiln or from the table. */
  interface Props {
    run: Run;
    kiln: string;
    name: string;
  }
  const { run, kiln, name }: Props = $props();

  const client = useQueryClient();
  const id = $derived(run.firingId);
  let points = $state(700);
  let part: { from: number; to: number } | null = $state(null);
  const asked = createQuery(() => liveOf(id));
  const log = createQuery(() => logOf(id, points, part));
  // What is noted on another device is seen here as well.
  const entries = createQuery(() => ({ ...entriesOf(id), refetchInterval: run.openedAt ? false : 15_000 }));
  let again: Live | null = $state.raw(null);
  let replaying = $state(false);
  const live = $derived(again ?? hub.told[id] ?? asked.data ?? null);
  const unit = $derived(display.unit);
  let sheet: 'reading' | 'cone' | 'colour' | 'note' | 'steam' | null = $state(null);
  let taking = $state(false);
  let ending: 'stop' | 'open' | null = $state(null);

  onMount(() => {
    void hub.open();
    outbox.open();
    const missed = hub.onback(() => {
      void client.invalidateQueries({ queryKey: ['live', id] });
      void client.invalidateQueries({ queryKey: ['log', id] });
      void client.invalidateQueries({ queryKey: ['entries', id] });
    });
    const sent = outbox.onsent(
      (firing) => firing === id && void client.invalidateQueries({ queryKey: ['entries', id] })
    );
    return () => {
      missed();
      sent();
    };
  });

  /** The curve is asked for again as the firing goes on: once in about two minutes of its own time. */
  const drawn = $derived(again ? 0 : Math.floor((live?.lastMinute ?? 0) / 2));
  $effect(() => {
    if (drawn > 0) void client.invalidateQueries({ queryKey: ['log', id] });
  });
  /** A change of state is told by the firing itself. */
  const stands = $derived(again ? null : live?.state);
  $effect(() => {
    if (stands && stands !== run.state) void client.invalidateQueries({ queryKey: ['run', id] });
  });
  /** Another program keyed in, here or on another device, is another step. */
  const keyedIn = $derived(
    (entries.data ?? [])
      .filter((e) => e.kind === 'reprogrammed' || e.kind === 'taken-back')
      .map((e) => e.key)
      .join()
  );
  $effect(() => {
    if (keyedIn) void client.invalidateQueries({ queryKey: ['run', id] });
  });

  const note = (entry: Omit<EntryRequest, 'key'>, photo?: Blob) => void outbox.note(id, entry, photo);
  const over = $derived(run.openedAt !== null);
  const next = $derived(live?.next ?? null);
  const nextAt = $derived(
    next?.minute === null || next?.minute === undefined ? null : atMinute(run.startsAt, next.minute)
  );
  const isNow = $derived(
    next?.minute !== null && next?.minute !== undefined && live !== null && next.minute <= live.minute + 0.5
  );
  const nextText = $derived(
    !next
      ? ''
      : !nextAt || isNow
        ? next.text
        : next.kind === 'open'
          ? `${next.text} until about ${shortTime(nextAt)}`
          : `${next.text} at ${shortTime(nextAt)}`
  );
  /** An alarm nobody has seen comes before everything else. */
  const alarm = $derived(
    over
      ? undefined
      : toldOnce(live?.alarms ?? []).find(
          (a) =>
            a.acknowledgedBy === null &&
            (a.weight === 'danger' || a.weight === 'warn') &&
            a.id !== 'steam-look'
        )
  );
  /** What is keyed in now is what it is followed by; the cut is seen with it. */
  function goOn(resume: NonNullable<Live['forecast']>['resume']) {
    if (!resume?.line) return;
    const at = null;
    note({ kind: 'reprogrammed', subject: String(resume.step), text: resume.line, at, celsius: null });
    for (const a of live?.alarms ?? [])
      if ((a.id === 'power-cut' || a.id === 'no-reading' || a.id === 'no-heat') && a.acknowledgedBy === null)
        note({ kind: 'acknowledged', subject: a.id, text: null, at, celsius: null });
  }
  /** A power cut nobody has seen yet: what to do after it stands in its own card. */
  const cut = $derived(
    !over && (live?.alarms.some((a) => a.id === 'power-cut' && a.acknowledgedBy === null) ?? false)
  );
  function showAlarm() {
    const card = document.getElementById(`alarm-${alarm?.id}`);
    card?.scrollIntoView({ block: 'center' });
    card?.querySelector('button')?.focus({ preventScroll: true });
  }
  const canOpen = $derived(live?.state === 'cooling' || live?.state === 'stopped');

  function act() {
    switch (next?.kind) {
      case 'look-for-steam':
        sheet = 'steam';
        break;
      case 'look-at-cones':
        sheet = live?.cones.length ? 'cone' : 'reading';
        break;
      case 'open':
        ending = 'open';
        break;
      default:
        sheet = 'reading';
    }
  }

  const toGoal = $derived(live?.forecast?.cones.find((c) => c.cone === run.goalCone) ?? null);
</script>

{#snippet aftercut()}
  {#if live?.forecast?.resume}<ResumeCard
      resume={live.forecast.resume}
      {name}
      {run}
      celsius={live.display ?? live.chamber}
      onkeyed={() => goOn(live.forecast?.resume ?? null)}
    />{/if}
{/snippet}

{#if live}
  <div class="watch">
    <div class="first">
      <AlarmList
        firingId={id}
        alarms={live.alarms}
        startsAt={run.startsAt}
        {over}
        aftercut={cut && live.forecast?.resume ? aftercut : undefined}
      />
      <NowPanel {run} {live} {kiln} {name} {unit} />
      <LiveChart {run} {live} log={log.data ?? null} {unit} window={part} height={over ? 320 : 250} />
      {#if replaying}<Replay {run} onmoment={(moment) => (again = moment)} />{/if}
      <p class="text-soft flex flex-wrap items-center gap-x-3 text-[13.5px]">
        {#if over}<button class="link" onclick={() => (replaying = !replaying)}
            >{replaying ? 'End the replay' : 'Replay'}</button
          >{/if}
        {#if log.data}<span>{log.data.readings.toLocaleString('en-GB')} readings</span>{/if}
        {#if live.gaps.length > 0}<span
            >{live.gaps.length === 1 ? 'one long gap' : `${live.gaps.length} long gaps`}</span
          >{/if}
        {#if part}<button class="link" onclick={() => ((part = null), (points = 700))}>Whole firing</button>
        {:else if live.lastMinute !== null && live.lastMinute > 60}<button
            class="link"
            onclick={() => (
              (part = { from: Math.max(0, (live.lastMinute ?? 0) - 60), to: (live.lastMinute ?? 0) + 5 }),
              (points = 2000)
            )}>Last hour</button
          >{/if}
        <a class="link" href="/api/firings/{id}/log?points=20000" download="firing-{id}.json"
          >Download readings</a
        >
        {#if run.link !== 'simulated'}<button class="link" onclick={() => (taking = true)}
            >Import a log file</button
          >{/if}
      </p>
    </div>
    <div class="second">
      {#if !cut}<div class="card-paper p-3.5 empty:hidden">{@render aftercut()}</div>{/if}
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
          {#if toGoal && live.endMinute === null}<p class="mt-2" data-testid="cone-forecast">
              At the end: cone {toGoal.cone}
              <b>{toGoal.phrase}</b
              >{#if toGoal.degrees.p10 !== null && toGoal.degrees.p90 !== null && toGoal.degrees.p90 - toGoal.degrees.p10 > 1}<span
                  class="text-soft ml-1"
                  >· {Math.round(toGoal.degrees.p10)} to {Math.round(toGoal.degrees.p90)} °C of cone from its end
                  point</span
                >{/if}
            </p>{/if}
          <p class="text-soft mt-1 text-[13.5px]">By the display; a cone that is read counts more.</p>
        {:else}<p class="text-soft">No goal cone: heat work is not counted.</p>{/if}
        {#if !over || replaying}<div class="mt-3 border-t pt-3"><Times {run} {live} {unit} /></div>{/if}
      </section>
      <EntryLog firingId={id} entries={entries.data ?? []} {unit} {over} />
      {#if !over}
        <AlarmSound />
        <div class="flex flex-wrap gap-2">
          {#if live.state === 'firing' || live.state === 'started'}<button
              class="btn btn-ghost text-error"
              onclick={() => (ending = 'stop')}>Stop this firing</button
            >{/if}
          {#if canOpen && next?.kind !== 'open'}<button
              class="btn btn-ghost"
              onclick={() => (ending = 'open')}>Kiln opened</button
            >{/if}
          <a class="btn btn-ghost" href="/firings/{id}/tag">Print the tag</a>
        </div>
      {/if}
    </div>
    {#if !over}
      <div class="hand">
        <div class="buttons">
          <button onclick={() => (sheet = 'reading')}>Reading</button>
          <button onclick={() => (sheet = 'cone')}>Cone</button>
          <button onclick={() => (sheet = 'colour')}>Colour</button>
          <button onclick={() => (sheet = 'note')}>Note</button>
        </div>
        {#if alarm}
          <button class="next alarmed" onclick={showAlarm} data-testid="next-action"
            >What to do: {alarmName(alarm.id)}</button
          >
        {:else if next}
          <button
            class={['next', next.kind === 'open' && !isNow && 'calm']}
            onclick={act}
            data-testid="next-action">{nextText}</button
          >
        {/if}
      </div>
    {:else}
      <p class="card-paper p-3.5">
        Opened {clock(new Date(run.openedAt ?? ''))}.
        <a class="link" href="/firings/{id}?stage=read">Read its packs and what came out</a>
      </p>
    {/if}
  </div>
  {#if sheet}<EntrySheet what={sheet} {live} {unit} onnote={note} onclose={() => (sheet = null)} />{/if}
  {#if taking}<LogDialog firingId={id} startsAt={run.startsAt} onclose={() => (taking = false)} />{/if}
  {#if ending}<EndDialog
      what={ending}
      {run}
      {live}
      {unit}
      entries={entries.data ?? []}
      onclose={() => (ending = null)}
    />{/if}
{:else if asked.isPending}
  <p class="text-soft p-4" aria-live="polite">Looking at the kiln …</p>
{:else}
  <p class="p-4" role="alert">
    This firing cannot be shown just now. <button class="link" onclick={() => asked.refetch()}
      >Try again</button
    >
  </p>
{/if}

<style>
  .watch {
    display: grid;
    gap: 12px;
    grid-template-columns: minmax(0, 1.7fr) minmax(300px, 1fr);
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
    gap: 8px;
    grid-template-columns: minmax(0, 1.7fr) minmax(300px, 1fr);
    padding: 8px 0;
    background: var(--color-base-200);
    z-index: 5;
  }
  .buttons {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 8px;
  }
  .buttons button {
    min-height: 52px;
    border-radius: 12px;
    background: #2a2320;
    color: #f1e6d8;
    font-weight: 650;
    font-size: 16px;
    cursor: pointer;
  }
  .next {
    min-height: 58px;
    border-radius: 12px;
    background: var(--color-primary);
    color: var(--color-primary-content);
    font-size: 19px;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
    cursor: pointer;
  }
  .alarmed {
    background: #a52a16;
    color: #fffdf9;
  }
  .calm {
    background: #2f5d8a;
    color: #fffdf9;
  }
  @media screen and (max-width: 767px) {
    .watch,
    .hand {
      grid-template-columns: minmax(0, 1fr);
    }
    .hand {
      position: fixed;
      left: 0;
      right: 0;
      bottom: 64px;
      padding: 8px 12px;
    }
    .watch {
      padding-bottom: 150px;
    }
  }
</style>
