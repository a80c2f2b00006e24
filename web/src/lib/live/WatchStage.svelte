<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { display } from '$lib/display.svelte';
  import { clock } from '$lib/format';
  import AlarmList from './AlarmList.svelte';
  import EndDialog from './EndDialog.svelte';
  import EntryLog from './EntryLog.svelte';
  import EntrySheet from './EntrySheet.svelte';
  import HeatWorkCard from './HeatWorkCard.svelte';
  import LiveChart from './LiveChart.svelte';
  import LogDialog from './LogDialog.svelte';
  import LogLine from './LogLine.svelte';
  import NextAction from './NextAction.svelte';
  import NowPanel from './NowPanel.svelte';
  import Replay from './Replay.svelte';
  import ResumeCard from './ResumeCard.svelte';
  import StandingButtons from './StandingButtons.svelte';
  import SwitchCard from './SwitchCard.svelte';
  import WatchLayout from './WatchLayout.svelte';
  import { unseenCut } from './cut';
  import { logOf, switchesOf } from './queries';
  import type { Live, Run } from './types';
  import { watching } from './watching.svelte';

  /** A firing under way, followed from the kiln or from the table. */
  interface Props {
    run: Run;
    kiln: string;
    name: string;
  }
  const { run, kiln, name }: Props = $props();

  const id = $derived(run.firingId);
  const unit = $derived(display.unit);
  let part: { from: number; to: number } | null = $state(null);
  const log = createQuery(() => logOf(id, part ? 2000 : 700, part));
  const firing = watching(() => run, ['log', 'switches']);
  const over = $derived(firing.over);
  /** A moment of the past, while it is gone through again. */
  let again: Live | null = $state.raw(null);
  let replaying = $state(false);
  const live = $derived(again ?? firing.live);
  let sheet: 'reading' | 'cone' | 'colour' | 'note' | 'steam' | null = $state(null);
  let taking = $state(false);
  let ending: 'stop' | 'open' | null = $state(null);

  /** A kiln with switches has somebody turn them: its next thing is a turn, or was. */
  const isSwitched = $derived(
    firing.live?.next?.kind === 'turn' || firing.entries.some((e) => e.kind === 'turned')
  );
  const switches = createQuery(() => ({
    ...switchesOf(id),
    enabled: isSwitched && !over,
    refetchInterval: 20_000
  }));

  /** The curve is asked for again as the firing goes on: once in about two minutes of its own time. */
  const drawn = $derived(again ? 0 : Math.floor((live?.lastMinute ?? 0) / 2));
  $effect(() => {
    if (drawn > 0) firing.askAgain('log');
  });

  /** What is keyed in now is what it is followed by; the cut is seen with it. */
  function followKeyedIn(resume: NonNullable<Live['forecast']>['resume']) {
    if (!resume?.line) return;
    firing.note({ kind: 'reprogrammed', subject: String(resume.step), text: resume.line });
    for (const a of live?.alarms ?? [])
      if ((a.id === 'power-cut' || a.id === 'no-reading' || a.id === 'no-heat') && a.acknowledgedBy === null)
        firing.note({ kind: 'acknowledged', subject: a.id });
  }
  /** What to do after a power cut nobody has seen yet stands in its own card. */
  const cut = $derived(!over && unseenCut(live?.alarms ?? []));
  const canOpen = $derived(live?.state === 'cooling' || live?.state === 'stopped');

  function act() {
    switch (live?.next?.kind) {
      case 'look-for-steam':
        sheet = 'steam';
        break;
      case 'look-at-cones':
        sheet = live.cones.length ? 'cone' : 'reading';
        break;
      case 'open':
        ending = 'open';
        break;
      case 'turn':
        document.querySelector('[data-testid=switches]')?.scrollIntoView({ block: 'center' });
        break;
      default:
        sheet = 'reading';
    }
  }
</script>

{#snippet aftercut()}
  {#if live?.forecast?.resume}<ResumeCard
      resume={live.forecast.resume}
      {name}
      {run}
      celsius={live.display ?? live.chamber}
      onkeyed={() => followKeyedIn(live.forecast?.resume ?? null)}
    />{/if}
{/snippet}

{#if live}
  <WatchLayout reach={150}>
    {#snippet first()}
      <AlarmList
        firingId={id}
        alarms={live.alarms}
        startsAt={run.startsAt}
        {over}
        aftercut={cut && live.forecast?.resume ? aftercut : undefined}
      />
      <NowPanel {run} {live} {kiln} {name} {unit} />
      {#if switches.data && !over}<SwitchCard plan={switches.data} {unit} onnote={firing.note} />{/if}
      <LiveChart {run} {live} log={log.data ?? null} {unit} window={part} height={over ? 320 : 250} />
      {#if replaying}<Replay {run} onmoment={(moment) => (again = moment)} />{/if}
      <LogLine
        {run}
        {live}
        log={log.data ?? null}
        {over}
        isPart={part !== null}
        {replaying}
        onreplay={() => (replaying = !replaying)}
        onpart={(wanted) => (part = wanted)}
        onimport={() => (taking = true)}
      />
    {/snippet}
    {#snippet second()}
      {#if !cut}<div class="card-paper p-3.5 empty:hidden">{@render aftercut()}</div>{/if}
      <HeatWorkCard
        {run}
        {live}
        {unit}
        source="By the display; a cone that is read counts more."
        withTimes={!over || replaying}
      />
      <EntryLog firingId={id} entries={firing.entries} {unit} {over} />
      {#if !over}<StandingButtons
          firingId={id}
          canStop={live.state === 'firing' || live.state === 'started'}
          canOpen={canOpen && live.next?.kind !== 'open'}
          onend={(what) => (ending = what)}
        />{/if}
    {/snippet}
    {#snippet hand()}
      {#if over}
        <p class="card-paper p-3.5">
          Opened {clock(new Date(run.openedAt ?? ''))}.
          <a class="link" href="/firings/{id}?stage=read">Read its packs and what came out</a>
        </p>
      {:else}
        <div class="hand md:grid-cols-[minmax(0,1.6fr)_minmax(300px,1fr)]">
          <div class="grid grid-cols-4 gap-2">
            <button class="key" onclick={() => (sheet = 'reading')}>Reading</button>
            <button class="key" onclick={() => (sheet = 'cone')}>Cone</button>
            <button class="key" onclick={() => (sheet = 'colour')}>Colour</button>
            <button class="key" onclick={() => (sheet = 'note')}>Note</button>
          </div>
          <NextAction {run} {live} onact={act} />
        </div>
      {/if}
    {/snippet}
  </WatchLayout>
  {#if sheet}<EntrySheet
      what={sheet}
      {live}
      {unit}
      onnote={firing.note}
      onclose={() => (sheet = null)}
    />{/if}
  {#if taking}<LogDialog firingId={id} startsAt={run.startsAt} onclose={() => (taking = false)} />{/if}
  {#if ending}<EndDialog
      what={ending}
      {run}
      {live}
      {unit}
      entries={firing.entries}
      onnote={firing.note}
      onclose={() => (ending = null)}
    />{/if}
{:else if firing.error}
  <p class="p-4" role="alert">
    This firing cannot be shown just now. <button class="link" onclick={firing.again}>Try again</button>
  </p>
{:else}
  <p class="text-soft p-4" aria-live="polite">Looking at the kiln …</p>
{/if}
