<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { display } from '$lib/display.svelte';
  import Sparkline from '$lib/chart/Sparkline.svelte';
  import { unsavedNew } from '$lib/editor/schedule-draft.svelte';
  import { ShorthandLine } from '$lib/editor/shorthand-line.svelte';
  import NextFirings from '$lib/firings/NextFirings.svelte';
  import SayLine from '$lib/firings/SayLine.svelte';
  import { degrees, duration, kindName, when } from '$lib/format';
  import { heatOf } from '$lib/scales';
  import { latestSchedules } from '$lib/library/queries';
  import Welcome from '$lib/library/Welcome.svelte';
  import RoomKilns from '$lib/live/RoomKilns.svelte';
  import MorningCard from '$lib/reading/MorningCard.svelte';

  const example = $derived(
    `26 mugs, ${display.length === 'mm' ? '6 mm' : '1/4 in'}, bone dry, bisque 06, start tomorrow at 9pm`
  );

  const recent = createQuery(() => latestSchedules(4));
  const unsaved = createQuery(() => ({ queryKey: ['unsaved-new'], gcTime: 0, queryFn: unsavedNew }));
  const shorthand = new ShorthandLine();
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
    <div class="grid content-start gap-3">
      <section class="card-paper overflow-hidden" aria-label="A firing in a line">
        {#if shorthand.preview && shorthand.isSchedule}
          {@const preview = shorthand.preview}
          <div class="p-2.5 pb-0">
            <FiringChart
              curve={preview.curve}
              unit={preview.unit}
              bands={preview.bands}
              poweredMinutes={preview.poweredMinutes}
              height={190}
              label="The firing over time: top {degrees(preview.peak, preview.unit)}"
            />
            <p class="mt-1 text-[13.5px]">
              <span data-testid="home-sum"
                >Top <b>{degrees(preview.peak, preview.unit)}</b>, power on for
                <b>{duration(preview.poweredMinutes)}</b>,
                <b>{duration(preview.totalMinutes)}</b> in all.</span
              >
              {#if preview.kilnNote}<span class="text-soft">{preview.kilnNote}</span>{/if}
            </p>
          </div>
        {/if}
        <SayLine {shorthand}>
          {#snippet empty(write)}
            <p class="text-[13.5px]">
              <button type="button" class="link link-hover text-primary" onclick={() => write(example)}
                >Try an example</button
              >
              <span class="text-soft"
                >or write steps, like 80/h to 120 hold 45m; 160/h to 1040; off, or paste a table.</span
              >
            </p>
          {/snippet}
        </SayLine>
      </section>
      <MorningCard />
    </div>
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
                {kindName(schedule.kind)} · {heatOf(schedule.peak, schedule.unit)} · {duration(
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
