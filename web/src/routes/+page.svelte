<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { api, sayProblem, type Preview, type Problem, type Segment, type Unit } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import Sparkline from '$lib/chart/Sparkline.svelte';
  import { emptyDraft, fromSegment } from '$lib/editor/draft';
  import { unsavedNew, leaveForEditor } from '$lib/editor/schedule-draft.svelte';
  import Welcome from '$lib/library/Welcome.svelte';
  import NextFirings from '$lib/firings/NextFirings.svelte';
  import RoomKilns from '$lib/live/RoomKilns.svelte';
  import { degrees, duration, kindName, when } from '$lib/format';
  import { latestSchedules } from '$lib/library/queries';

  const unit: Unit = localStorage.getItem('ember.unit') === 'F' ? 'F' : 'C';
  const example =
    unit === 'C'
      ? '80/h to 120 hold 45m; 160/h to 1040; 60/h to 1210 hold 12m; cool 55/h to 850; off'
      : '150/h to 250 hold 45m; 290/h to 1900; 108/h to 2210 hold 12m; cool 100/h to 1560; off';

  const recent = createQuery(() => latestSchedules(4));
  const unsaved = createQuery(() => ({ queryKey: ['unsaved-new'], gcTime: 0, queryFn: unsavedNew }));
  let text = $state('');
  let segments: Segment[] = $state.raw([]);
  let preview: Preview | null = $state.raw(null);
  let problem: Problem | null = $state.raw(null);
  let asked = 0;

  async function look(line: string) {
    const turn = ++asked;
    try {
      const parsed = await api.POST('/api/notation/parse', { body: { text: line, unit } });
      if (turn !== asked) return;
      problem = parsed.data ? null : (parsed.error as Problem);
      if (!parsed.data) return;
      segments = parsed.data.segments;
      const answer = await api.POST('/api/preview', {
        body: { schedule: { name: '', kind: 'glaze', unit, segments } }
      });
      if (turn === asked && answer.data) preview = answer.data;
    } catch (error) {
      problem = { detail: sayProblem(error) };
    }
  }

  function write(line: string) {
    text = line;
    if (line.trim()) void look(line);
    else {
      asked++;
      problem = null;
      preview = null;
      segments = [];
    }
  }

  /** To the editor, where it gets its name. */
  function open() {
    if (segments.length === 0 || problem) return;
    leaveForEditor({ ...emptyDraft(unit), steps: segments.map(fromSegment) });
    void goto('/schedules/new');
  }
</script>

<svelte:head><title>Kiln room · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-baseline justify-between gap-x-4">
    <h1 class="text-2xl">Kiln room</h1>
    <a class="link link-hover text-primary text-sm" href="/wall">For the wall</a>
  </header>

  <RoomKilns />

  {#if unsaved.data != null}
    <a class="card-paper hover:border-primary px-4 py-3" href="/schedules/new" data-testid="unsaved">
      <b>{unsaved.data || 'A schedule without a name'}</b> was started here and is not saved yet.
      <span class="link text-primary">Go on with it</span>
    </a>
  {/if}

  <div class="pair">
    <NextFirings />
    <section class="card-paper overflow-hidden" aria-label="A firing in a line">
      {#if preview}
        <div class="p-2.5 pb-0">
          <FiringChart
            curve={preview.curve}
            unit={preview.unit}
            bands={preview.bands}
            poweredMinutes={preview.poweredMinutes}
            height={190}
            label="The firing over time: top {degrees(preview.peak, preview.unit)}"
          />
        </div>
      {/if}
      <form
        class="flex flex-wrap items-start gap-2 p-3.5"
        onsubmit={(e) => {
          e.preventDefault();
          open();
        }}
      >
        <textarea
          class="textarea min-h-0 flex-1 basis-72 resize-none font-mono text-sm"
          rows={Math.min(8, Math.max(2, text.split('\n').length))}
          aria-label="A firing in shorthand"
          placeholder={example}
          spellcheck="false"
          autocapitalize="off"
          value={text}
          oninput={(e) => write(e.currentTarget.value)}
          onkeydown={(e) => {
            if (e.key === 'Enter' && !e.shiftKey) {
              e.preventDefault();
              open();
            }
          }}></textarea>
        <button class="btn btn-primary" disabled={segments.length === 0 || problem !== null}
          >Open in editor</button
        >
        <p class="w-full text-[13.5px]" aria-live="polite">
          {#if problem && text.trim()}
            <span class="text-soft" data-testid="home-problem">{sayProblem(problem)}</span>
          {:else if preview}
            <span data-testid="home-sum"
              >Top <b>{degrees(preview.peak, preview.unit)}</b>, power on for
              <b>{duration(preview.poweredMinutes)}</b>,
              <b>{duration(preview.totalMinutes)}</b> in all.</span
            >
            {#if preview.kilnNote}<span class="text-soft">{preview.kilnNote}</span>{/if}
          {:else}
            <button type="button" class="link link-hover text-primary" onclick={() => write(example)}
              >Try the example</button
            >
            <span class="text-soft">or paste a table from a spreadsheet.</span>
          {/if}
        </p>
      </form>
    </section>
  </div>

  <section aria-labelledby="last-changed">
    <div class="mb-2 flex items-baseline justify-between">
      <h2 id="last-changed" class="text-lg">
        {recent.data?.length === 0 ? 'First steps' : 'Edited last'}
      </h2>
      <a class="link link-hover text-primary text-sm" href="/schedules">All schedules</a>
    </div>
    {#if recent.isError}
      <p role="alert">
        {sayProblem(recent.error)} <button class="link" onclick={() => recent.refetch()}>Try again</button>
      </p>
    {:else if recent.isSuccess && recent.data.length === 0}
      <Welcome />
    {:else}
      <ul class="cards">
        {#each recent.data ?? [] as schedule (schedule.id)}
          <li>
            <a class="card-paper hover:border-primary block h-full p-2.5" href="/schedules/{schedule.id}">
              <Sparkline curve={schedule.curve} unit={schedule.unit} width={250} height={56} />
              <span class="mt-2 block font-serif text-[16px] leading-tight font-semibold"
                >{schedule.name}</span
              >
              <span class="text-soft mt-1 block text-[13px]">
                {kindName(schedule.kind)} · {degrees(schedule.peak, schedule.unit)} · {duration(
                  schedule.poweredMinutes
                )} · {when(new Date(schedule.updatedAt))}
              </span>
            </a>
          </li>
        {/each}
      </ul>
    {/if}
  </section>
</div>

<style>
  .pair {
    display: grid;
    gap: 12px;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
    align-items: start;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
    gap: 12px;
  }
  .cards :global(svg) {
    width: 100%;
    height: auto;
  }
</style>
