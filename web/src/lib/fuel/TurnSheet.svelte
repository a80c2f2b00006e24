<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem, type LoadBody, type Schedule, type ScheduleBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { clock, degrees, duration, when } from '$lib/format';
  import AirStrip from './AirStrip.svelte';
  import FuelFacts from './FuelFacts.svelte';
  import { lastTurnsOf } from './queries';
  import TurnTable from './TurnTable.svelte';

  /** A schedule as turns of a fuel kiln: on the screen, on the phone, on one printed page. */
  interface Props {
    schedule: Schedule | ScheduleBody;
    /** Kept in the studio under this number. */
    scheduleId?: number | null;
    name: string;
    kilnId: number;
    load: LoadBody | null;
    start: string | null;
    back: { href: string; name: string } | null;
  }
  const { schedule, scheduleId = null, name, kilnId, load, start, back }: Props = $props();
  const intervals = [15, 20, 30, 45, 60];
  /** Chosen here; as its kiln says when not. */
  let every: number | null = $state(null);
  const asked = createQuery(() => ({
    queryKey: ['turn-sheet', schedule, kilnId, load, start, every],
    queryFn: async () => {
      const { data, error } = await api.POST('/api/preview', {
        body: { schedule, kilnId, load, start, turnEveryMinutes: every }
      });
      if (!data) throw error;
      return data;
    },
    placeholderData: (before) => before
  }));
  const lastTime = createQuery(() => lastTurnsOf(kilnId, scheduleId, schedule.kind ?? 'glaze'));
  /** Beside what is planned stands what was turned the last time, until somebody looks away from it. */
  let withLast = $state(true);
  const made = $derived(withLast ? (lastTime.data?.turns ?? []) : []);
  const preview = $derived(asked.data ?? null);
  const kiln = $derived(preview?.kiln ?? null);
  const shown = $derived(every ?? kiln?.everyMinutes ?? 30);

  /** On paper it gets smaller until all of it fits one page. */
  const [largest, smallest] = [11.5, 5.5];
  let size = $state(largest);
  let article: HTMLElement | undefined = $state();
  let fitted = '';
  $effect(() => {
    // A4 without its margins, which are the paper's own here.
    const sheetHeight = ((297 - 2 * 12) / 25.4) * 96 - 8;
    // Another sheet may fit larger; it is tried from the top again.
    const wanted = `${shown} ${made.length}`;
    if (fitted !== wanted) [size, fitted] = [largest, wanted];
    if (article && preview && article.scrollHeight > sheetHeight && size > smallest) size -= 0.5;
  });
</script>

{#if asked.isError && !preview}
  <p class="p-4" role="alert">
    {sayProblem(asked.error)} <button class="link" onclick={() => asked.refetch()}>Try again</button>
  </p>
{:else if preview && kiln?.turns}
  <div class="tools no-print">
    {#if back}<a class="btn btn-sm btn-paper" href={back.href}>{back.name}</a>{/if}
    <label class="flex items-center gap-2 text-[14px]"
      >A turn every <select
        class="select select-sm w-auto"
        value={shown}
        onchange={(e) => (every = Number(e.currentTarget.value))}
        aria-label="Minutes between turns"
        >{#each [...new Set([...intervals, shown])].sort((a, b) => a - b) as n (n)}<option value={n}
            >{n} min</option
          >{/each}</select
      ></label
    >
    {#if lastTime.data}<label class="flex items-center gap-2 text-[14px]"
        ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={withLast} />With last time’s turns:
        <a class="link" href="/firings/{lastTime.data.firingId}?stage=read">{lastTime.data.name}</a></label
      >{/if}
    <button class="btn btn-sm btn-primary" onclick={() => window.print()}>Print</button>
  </div>
  <div class="screen no-print" data-testid="turn-sheet">
    <FiringChart
      curve={[...preview.curve, ...kiln.cooling.slice(1)]}
      asked={kiln.setpoint}
      unit={preview.unit}
      bands={preview.bands}
      poweredMinutes={preview.poweredMinutes}
      start={preview.startsAt ? new Date(preview.startsAt) : null}
      height={230}
      label="The firing over time in {kiln.name}"
    >
      {#snippet children(frame)}<AirStrip
          {frame}
          stretches={kiln.airStretches ?? []}
          until={preview.poweredMinutes}
        />{/snippet}
    </FiringChart>
    <div class="card-paper px-4 py-3"><FuelFacts {kiln} unit={preview.unit} /></div>
    <div class="card-paper px-3 py-2">
      <TurnTable turns={kiln.turns} unit={preview.unit} goal={schedule.goalCone ?? null} last={made} />
    </div>
    <p class="text-soft text-[13px]">
      Temperatures are those to expect with this load, give or take {Math.round(kiln.uncertainty * 100)} %; colour,
      cones and smell have the last word. A gas fitter’s work is a licensed gas fitter’s; the kiln maker’s manual
      and local code come first.
    </p>
  </div>
  <article
    class="page-sheet only-print"
    style:--size="{size}px"
    bind:this={article}
    data-testid="printed-turns"
  >
    <h1>{name}</h1>
    <p>
      Turn-up sheet for {kiln.name} · top {degrees(preview.peak, preview.unit)} · burners on {duration(
        preview.poweredMinutes
      )}{#if preview.startsAt}&nbsp;· start {clock(new Date(preview.startsAt))}{/if}
    </p>
    <FuelFacts {kiln} unit={preview.unit} />
    <TurnTable turns={kiln.turns} unit={preview.unit} goal={schedule.goalCone ?? null} last={made} paper />
    <footer>
      Below the red a lost flame does not relight. Licensed gas fitter, maker’s manual and local code first.
      {#if made.length > 0}In grey: what was turned in {lastTime.data?.name}, {when(
          new Date(lastTime.data?.startsAt ?? 0)
        )}.{/if}
    </footer>
  </article>
{:else if preview}
  <p class="p-4">This kiln has a controller: it is not turned up by hand.</p>
{/if}

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    justify-content: center;
    align-items: center;
    gap: 10px;
    padding: 10px;
  }
  .screen {
    display: grid;
    gap: 10px;
    max-width: 1000px;
    margin: 0 auto;
    padding: 0 12px 90px;
  }
  .page-sheet {
    width: 186mm;
    background: #fff;
    color: #1d1916;
    font-size: var(--size);
    line-height: 1.25;
    /* Laid out off the screen, so that it is known whether it fits its page. */
    position: absolute;
    left: -9999px;
    top: 0;
  }
  h1 {
    font-size: 1.7em;
  }
  .page-sheet :global(dl) {
    font-size: 1em;
    margin: 4px 0 6px;
    max-width: 60%;
  }
  footer {
    margin-top: 6px;
    color: #555;
    font-size: 0.9em;
  }
  @page {
    size: A4;
    margin: 12mm;
  }
  @media print {
    .page-sheet {
      position: static;
      width: auto;
    }
  }
</style>
