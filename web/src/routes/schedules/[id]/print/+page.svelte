<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { clock, degrees, duration, kindName, number, when } from '$lib/format';
  import PrintedSteps from '$lib/library/PrintedSteps.svelte';

  const id = $derived(Number(page.params.id));
  const start = $derived(page.url.searchParams.get('start'));
  const anchor = $derived(page.url.searchParams.get('anchor'));
  const kilnId = $derived(Number(page.url.searchParams.get('kiln')) || null);
  const fill = $derived(Number(page.url.searchParams.get('fill') ?? 1));
  const firingId = $derived(Number(page.url.searchParams.get('firing')) || null);
  const load = $derived(firingId !== null ? { firingId } : kilnId === null ? null : { fill });

  const sheet = createQuery(() => ({
    queryKey: ['schedule', id, 'print', start, anchor, kilnId, fill, firingId],
    queryFn: async () => {
      const { data: schedule, error } = await api.GET('/api/schedules/{id}', { params: { path: { id } } });
      if (!schedule) throw error;
      const preview = await api.POST('/api/preview', {
        body: {
          schedule,
          start,
          anchor: (anchor ?? 'start') as 'start',
          kilnId,
          load
        }
      });
      if (!preview.data) throw preview.error;
      return { schedule, preview: preview.data };
    }
  }));

  /** Print gets smaller until everything fits the sheet: sixty-four steps still do. */
  const [largest, smallest] = [13, 6];
  let size = $state(largest);
  let article: HTMLElement | undefined = $state();
  const chartHeight = $derived(Math.round(40 + (190 * size) / largest));

  $effect(() => {
    // The margins of the paper are the padding of the sheet on the screen.
    const sheetHeight = (297 / 25.4) * 96 - 8;
    if (article && sheet.data && article.scrollHeight > sheetHeight && size > smallest) size -= 0.5;
  });
</script>

<svelte:head><title>{sheet.data?.schedule.name ?? 'Print'} · Zealous Ember</title></svelte:head>

{#if sheet.isError}
  <p class="p-8" role="alert">
    {sayProblem(sheet.error)} <a class="link" href="/schedules">To the schedules</a>
  </p>
{:else if sheet.data}
  {@const { schedule, preview } = sheet.data}
  <div class="tools">
    <a class="btn btn-sm btn-paper" href="/schedules/{id}">Back to the editor</a>
    <button class="btn btn-sm btn-primary" onclick={() => window.print()}>Print</button>
  </div>
  <article class="sheet" style:--size="{size}px" bind:this={article} data-testid="sheet">
    <header>
      <h1>{schedule.name}</h1>
      <p>
        {kindName(schedule.kind)} · top {degrees(preview.peak, preview.unit)} · power on {duration(
          preview.poweredMinutes
        )} · in all
        {duration(preview.totalMinutes)}{#if preview.startsAt}&nbsp;· start {clock(
            new Date(preview.startsAt)
          )}{/if}{#if preview.kiln}&nbsp;· in {preview.kiln.name}, {number(preview.kiln.energyKwh, 0)} kWh ± {number(
            preview.kiln.energyKwh * preview.kiln.uncertainty,
            0
          )}{/if}
      </p>
    </header>
    <FiringChart
      paper
      curve={preview.curve}
      unit={preview.unit}
      bands={preview.bands}
      poweredMinutes={preview.poweredMinutes}
      start={preview.startsAt ? new Date(preview.startsAt) : null}
      asked={preview.kiln?.setpoint}
      height={chartHeight}
      label="The firing over time"
    />
    <PrintedSteps {schedule} {preview} />
    {#if schedule.notes}<p class="notes" data-units="own">{schedule.notes}</p>{/if}
    {#if preview.cautions.length}
      <ul class="cautions">
        {#each preview.cautions as caution (caution.text)}<li>
            Step {caution.segment + 1}: {caution.text}
          </li>{/each}
      </ul>
    {/if}
    <footer>
      <span
        >The kiln maker’s manual, local codes and the studio's rules come first.{#if preview.kilnNote}&nbsp;{preview.kilnNote}{/if}</span
      >
      <span>Version {schedule.version}, {when(new Date(schedule.updatedAt))}</span>
    </footer>
  </article>
{/if}

<style>
  .tools {
    display: flex;
    justify-content: center;
    gap: 8px;
    padding: 12px;
  }
  .sheet {
    width: 186mm;
    max-width: 100%;
    overflow-x: auto;
    margin: 0 auto 24px;
    padding: 12mm;
    box-sizing: content-box;
    background: #fff;
    color: #1d1916;
    font-size: var(--size);
    line-height: 1.25;
  }
  h1 {
    font-size: 1.7em;
    line-height: 1.15;
  }
  header {
    margin-bottom: 8px;
  }
  .notes,
  .cautions {
    margin-top: 8px;
    font-size: 0.93em;
    white-space: pre-line;
  }
  .notes {
    columns: 16em;
  }
  .cautions {
    border-left: 3px solid #8a3a18;
    padding-left: 8px;
  }
  footer {
    margin-top: 8px;
    display: flex;
    justify-content: space-between;
    gap: 24px;
    font-size: 0.8em;
    color: #555;
  }
  @page {
    size: A4;
    margin: 12mm;
  }
  @media screen and (max-width: 800px) {
    .sheet {
      box-sizing: border-box;
      width: 100%;
      padding: 12px;
    }
  }
  @media print {
    .tools {
      display: none;
    }
    .sheet {
      padding: 0;
      margin: 0;
      width: auto;
      overflow: visible;
    }
  }
</style>
