<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tick, untrack } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { afterNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { sayProblem } from '$lib/api/client';
  import ConesCard from '$lib/cones/ConesCard.svelte';
  import { display } from '$lib/display.svelte';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import AboutCard from '$lib/editor/AboutCard.svelte';
  import BetweenCard from '$lib/editor/BetweenCard.svelte';
  import EditorChart from '$lib/editor/EditorChart.svelte';
  import ClockCard from '$lib/editor/ClockCard.svelte';
  import { scheduleDifferences } from '$lib/editor/differences';
  import EditorHeader from '$lib/editor/EditorHeader.svelte';
  import KilnCard from '$lib/editor/KilnCard.svelte';
  import { editorParts } from '$lib/editor/parts';
  import FiringsOfSchedule from '$lib/logbook/FiringsOfSchedule.svelte';
  import { openSchedule } from '$lib/editor/schedule-draft.svelte';
  import StepList from '$lib/editor/StepList.svelte';
  import WriteOut from '$lib/editor/WriteOut.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  const id = $derived(page.params.id === 'new' ? null : Number(page.params.id));
  let parts = $state.raw<ReturnType<typeof editorParts> | null>(null);
  let selected = $state(-1);
  let marked = $state.raw<{ from: number; to: number } | null>(null);
  let dialog: 'text' | 'versions' | 'help' | null = $state(null);
  let list: StepList | undefined = $state();

  const opened = createQuery(() => ({
    queryKey: ['schedule', id],
    enabled: id === null || parts?.draft.id !== id,
    // What is being edited must never be swapped for what a cache remembers.
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () => openSchedule(id)
  }));

  $effect(() => {
    // A new one is written on the studio's scale, which has to be known.
    const [wanted, found, known] = [id, opened.data, display.known || id !== null];
    untrack(() => {
      if (!found || !known || (found.stored?.id ?? null) !== wanted || (parts && parts.draft.id === wanted))
        return;
      end();
      parts = editorParts(display.unit, found);
      selected = -1;
      void tick().then(focusName);
    });
  });

  function end() {
    parts?.draft.close();
    parts?.preview.stop();
  }

  // Saved for the first time: the address becomes its own, the page stays as it is.
  $effect(() => {
    const made = parts?.draft.id ?? null;
    untrack(() => {
      if (made === null || id !== null) return;
      parts?.place.isFor(made);
      void goto(`/schedules/${made}`, { replaceState: true, keepFocus: true, noScroll: true });
    });
  });

  $effect(() => {
    const typing = (e: KeyboardEvent) =>
      e.target instanceof HTMLElement && e.target.matches('input, textarea, select');
    return tinykeys(window, {
      '$mod+KeyZ': (e) => (e.preventDefault(), parts?.draft.undo()),
      '$mod+Shift+KeyZ': (e) => (e.preventDefault(), parts?.draft.redo()),
      '$mod+KeyY': (e) => (e.preventDefault(), parts?.draft.redo()),
      '$mod+KeyS': (e) => (e.preventDefault(), void parts?.draft.save()),
      w: (e) => typing(e) || (e.preventDefault(), document.getElementById('write-out')?.focus()),
      'Shift+?': (e) => typing(e) || (dialog = 'help')
    });
  });

  // After the router has put the focus where it wants it: a new schedule starts with its name.
  const focusName = () => id === null && document.getElementById('schedule-name')?.focus();
  afterNavigate(focusName);
  saveOnLeaving(() => parts?.draft ?? null);
</script>

<svelte:head><title>{parts?.draft.body.name || 'New schedule'} · Zealous Ember</title></svelte:head>

{#if opened.isError}
  <div class="m-auto max-w-md p-8 text-center">
    <h1 class="mb-2 text-2xl">No such schedule</h1>
    <p class="text-soft mb-4">{sayProblem(opened.error)}</p>
    <a class="btn btn-primary" href="/schedules">To the schedules</a>
  </div>
{:else if parts && (id === null || parts.draft.id === id)}
  {@const { draft, place, start, preview: loop, tried } = parts}
  {#if !me.may('own-schedules')}<div class="page pb-0!">
      <MayNot right="own-schedules" why="Schedules are written by firers and owners." />
    </div>{/if}
  <div class="editor" inert={!me.may('own-schedules')}>
    <EditorHeader
      {draft}
      {place}
      {loop}
      {start}
      ontext={() => (dialog = 'text')}
      onversions={() => (dialog = 'versions')}
      onhelp={() => (dialog = 'help')}
    />
    <ConflictBanner {draft} what="schedule" compare={scheduleDifferences} />
    <div class="columns">
      <div class="left">
        <EditorChart {draft} {loop} {tried} {marked} bind:selected />
        <section class="card-paper steps" aria-label="Steps">
          <div class="scroll"><StepList bind:this={list} {draft} {loop} bind:selected /></div>
          {#if loop.errors['segments']}<p class="text-error px-3.5 py-1 text-[13px]" role="alert">
              {loop.errors['segments']}
            </p>{/if}
          <WriteOut
            {draft}
            onadd={() => void list?.focusRow(draft.addStep(draft.body.steps.length - 1))}
            onwritten={() => (selected = draft.body.steps.length - 1)}
          />
        </section>
      </div>
      <aside class="right">
        <ClockCard {draft} {place} {loop} {start} />
        <ConesCard {draft} {place} {loop} />
        <KilnCard scheduleId={draft.id} {place} {loop} timed={start.at !== null} unit={draft.body.unit} />
        <!-- Comes when there is something to say; a quiet schedule does not wait for it. -->
        {#if loop.preview?.findings.length}
          {#await import('$lib/editor/FindingsCard.svelte') then { default: FindingsCard }}
            <FindingsCard
              {draft}
              {place}
              {loop}
              {tried}
              onpoint={(stretch) => (marked = stretch)}
              onselect={(segment) => void list?.focusRow(segment)}
            />
          {/await}
        {/if}
        <BetweenCard {loop} unit={draft.body.unit} />
        <AboutCard {draft} errors={loop.errors} />
        {#if draft.id !== null}<FiringsOfSchedule scheduleId={draft.id} />{/if}
      </aside>
    </div>
  </div>

  <!-- Dialogs come when they are asked for; the first view does not wait for them. -->
  {#if dialog === 'text'}
    {#await import('$lib/editor/TextDialog.svelte') then { default: TextDialog }}
      <TextDialog {draft} line={loop.preview?.line ?? ''} onclose={() => (dialog = null)} />
    {/await}
  {:else if dialog === 'versions' && draft.id !== null}
    {@const id = draft.id}
    {#await import('$lib/editor/VersionsDialog.svelte') then { default: VersionsDialog }}
      <VersionsDialog {draft} {id} onclose={() => (dialog = null)} />
    {/await}
  {:else if dialog === 'help'}
    {#await import('$lib/editor/HelpDialog.svelte') then { default: HelpDialog }}
      <HelpDialog onclose={() => (dialog = null)} />
    {/await}
  {/if}
{/if}

<style>
  .editor {
    display: flex;
    flex-direction: column;
    gap: 10px;
    padding: 12px 18px 12px 20px;
    min-height: 100dvh;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 292px;
    gap: 14px;
    flex: 1;
    min-height: 0;
  }
  .left,
  .right {
    display: flex;
    flex-direction: column;
    gap: 10px;
    min-height: 0;
    min-width: 0;
  }
  @media (min-width: 1024px) {
    /* The cards scroll by themselves, so that the curve stays in sight. */
    .right {
      position: sticky;
      top: 12px;
      align-self: start;
      max-height: calc(100dvh - 96px);
      overflow-y: auto;
      scrollbar-width: thin;
    }
  }
  .steps {
    display: flex;
    flex-direction: column;
    flex: 1;
  }
  .scroll {
    flex: 1;
  }
  @media (max-width: 1023px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 767px) {
    .editor {
      padding: 10px 10px 84px;
    }
  }
</style>
