<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { display } from '$lib/display.svelte';
  import { counted, dated } from '$lib/format';
  import { runOf } from '$lib/live/queries';
  import { faultName } from '$lib/reading/faults';
  import { sheetFacts } from '$lib/reading/sheet-facts';
  import SheetLines from '$lib/reading/SheetLines.svelte';
  import { bendWords, past, shelfWords } from '$lib/reading/words';
  import { toUnit } from '$lib/units';

  /** A firing on one page of paper, to pin up: curve, hours and turns, what was noted, packs, what came out, room to write. */
  const id = $derived(Number(page.params.id));
  const firing = createQuery(() => ({
    queryKey: ['firing', id, 'sheet'],
    queryFn: async () => {
      const of = { params: { path: { id } } };
      const [planned, reading, sheet] = await Promise.all([
        api.GET('/api/firings/{id}', of),
        api.GET('/api/firings/{id}/reading', of),
        api.GET('/api/firings/{id}/sheet', of)
      ]);
      if (!planned.data) throw planned.error;
      if (!reading.data) throw reading.error;
      if (!sheet.data) throw sheet.error;
      return { name: planned.data.firing.name ?? 'Firing', reading: reading.data, sheet: sheet.data };
    }
  }));
  const run = createQuery(() => runOf(id));
  const unit = $derived(display.unit);
  const curve = $derived(
    (firing.data?.sheet.curve ?? []).map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
  );
  const asked = $derived(
    (run.data?.promised ?? []).map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
  );
  const facts = $derived(sheetFacts(firing.data?.reading.figures ?? {}));
  /** Smaller and smaller until it is on one page: a night of turns still is. */
  const [largest, smallest] = [13, 7];
  let size = $state(largest);
  let article: HTMLElement | undefined = $state();
  $effect(() => {
    // The margins of the paper are the padding of the sheet on the screen.
    const page = (297 / 25.4) * 96 - 8;
    // A phone shows it as large as it is read; there is no page to fit.
    if (!matchMedia('(min-width: 801px)').matches) return;
    if (article && firing.data && run.data && article.scrollHeight > page && size > smallest) size -= 0.5;
  });
</script>

<svelte:head><title>Log sheet · Zealous Ember</title></svelte:head>

{#if firing.isError}
  <p class="p-8" role="alert">
    {sayProblem(firing.error)} <a class="link" href="/firings">To the firings</a>
  </p>
{:else if firing.data && run.data}
  {@const { name, reading, sheet } = firing.data}
  {@const results = reading.reading.results}
  <div class="tools no-print">
    <a class="btn btn-sm btn-paper" href="/firings/{id}?stage=read">Back to the firing</a>
    <button class="btn btn-sm btn-primary" onclick={() => window.print()}>Print</button>
  </div>
  <article class="sheet" style:--size="{size}px" bind:this={article} data-testid="log-sheet">
    <header>
      <h1>{name}</h1>
      <p>
        {reading.kilnName}, {dated(run.data.startsAt)}{run.data.by ? `, ${run.data.by}` : ''}{reading.goalCone
          ? ` · goal cone ${reading.goalCone}`
          : ''}{reading.schedule
          ? ` · ${reading.schedule.name}, version ${reading.schedule.version ?? 1}`
          : ''}
      </p>
      {#if facts}<p><b>{facts}</b></p>{/if}
    </header>
    {#if curve.length > 1}<FiringChart
        {curve}
        {asked}
        {unit}
        height={Math.round(60 + (150 * size) / largest)}
        paper
        start={new Date(run.data.startsAt)}
        label="The firing as it went"
      />
      {#if sheet.isByTurns}<p class="small">
          Nobody logged it: the curve is worked out from its turns and what was seen.
        </p>{/if}{/if}
    <SheetLines lines={sheet.lines} by={run.data.by} />
    <div class="two">
      <section>
        <h2>Packs</h2>
        {#each reading.reading.packs ?? [] as pack (String(pack?.shelf))}
          {@const got = reading.said.offsets.find((o) => String(o.shelf) === String(pack?.shelf))}
          <p>
            {shelfWords(String(pack?.shelf))}: {(pack?.cones ?? [])
              .map((c) => `${c?.cone} ${bendWords(c?.bendDegrees ?? 0)}`)
              .join(', ')}{got?.past !== null && got !== undefined ? ` (${past(got.past ?? 0)})` : ''}
          </p>
        {:else}<p>None read.</p>{/each}
      </section>
      <section>
        <h2>Out</h2>
        <p>
          {reading.lots.map((l) => counted(l.count, l.what)).join(', ')}{results?.out === null ||
          results?.out === undefined
            ? ''
            : `: ${results.out} out, ${results.lost ?? 0} lost`}
        </p>
        {#each results?.faults ?? [] as f, i (i)}<p data-units="own">
            {faultName(f?.kind ?? '')} on {f?.count}{f?.note ? `: ${f.note}` : ''}
          </p>{/each}
        {#if results?.word}<p data-units="own">“{results.word}”</p>{/if}
      </section>
    </div>
    <section class="next">
      <h2>Next time</h2>
      <p class="line"></p>
      <p class="line"></p>
    </section>
    <p class="small">{run.data.line}</p>
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
  h2 {
    font-size: 1.15em;
    margin-top: 6px;
  }
  .small {
    font-size: 0.82em;
    color: #555;
    margin-top: 4px;
    overflow-wrap: anywhere;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 24px;
  }
  .line {
    border-bottom: 1px solid #999;
    height: 1.9em;
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
    .sheet {
      padding: 0;
      margin: 0;
      width: auto;
      overflow: visible;
    }
  }
</style>
