<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { display } from '$lib/display.svelte';
  import { clock, counted, degrees, duration, number, when } from '$lib/format';
  import { entriesOf, logOf, runOf } from '$lib/live/queries';
  import { faultName } from '$lib/reading/faults';
  import { bendWords, past, shelfWords } from '$lib/reading/words';
  import { toUnit } from '$lib/units';

  /** A finished firing on one page of paper: curve, what was noted, packs, what came out. */
  const id = $derived(Number(page.params.id));
  const firing = createQuery(() => ({
    queryKey: ['firing', id, 'sheet'],
    queryFn: async () => {
      const [planned, reading] = await Promise.all([
        api.GET('/api/firings/{id}', { params: { path: { id } } }),
        api.GET('/api/firings/{id}/reading', { params: { path: { id } } })
      ]);
      if (!planned.data) throw planned.error;
      if (!reading.data) throw reading.error;
      return { name: planned.data.firing.name ?? 'Firing', reading: reading.data };
    }
  }));
  const run = createQuery(() => runOf(id));
  const log = createQuery(() => logOf(id, 600, null));
  const entries = createQuery(() => entriesOf(id));
  const unit = $derived(display.unit);
  const curve = $derived(
    (log.data?.segments ?? []).flatMap((piece, i) => [
      ...(i > 0 && piece[0] ? [{ minute: piece[0].minute, temperature: NaN }] : []),
      ...piece.map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
    ])
  );
  const figure = (name: string) => firing.data?.reading.figures[name];
  const noted = $derived(
    (entries.data ?? []).filter((e) =>
      ['note', 'cone-down', 'steam', 'dry', 'vent', 'peepholes', 'colour', 'state'].includes(e.kind)
    )
  );
</script>

<svelte:head><title>Log sheet · Zealous Ember</title></svelte:head>

{#if firing.isError}
  <p class="p-8" role="alert">
    {sayProblem(firing.error)} <a class="link" href="/firings">To the firings</a>
  </p>
{:else if firing.data && run.data}
  {@const { name, reading } = firing.data}
  {@const results = reading.reading.results}
  <div class="page sheet" data-testid="log-sheet">
    <div class="no-print flex gap-2">
      <a class="btn btn-sm btn-paper" href="/firings/{id}?stage=read">Back to the firing</a>
      <button class="btn btn-sm btn-primary" onclick={() => window.print()}>Print</button>
    </div>
    <header>
      <h1 class="text-2xl">{name}</h1>
      <p>
        {reading.kilnName}, {when(new Date(run.data.startsAt))} ({clock(new Date(run.data.startsAt))}){run
          .data.by
          ? `, ${run.data.by}`
          : ''}{reading.goalCone ? ` · goal cone ${reading.goalCone}` : ''}{reading.schedule
          ? ` · ${reading.schedule.name}, version ${reading.schedule.version ?? 1}`
          : ''}
      </p>
      <p class="font-mono text-[12.5px]">{run.data.line}</p>
    </header>
    {#if curve.length > 1}<FiringChart
        {curve}
        {unit}
        height={250}
        paper
        start={new Date(run.data.startsAt)}
        label="The firing as it went"
      />{/if}
    <p>
      {[
        figure('top') === undefined ? '' : `top ${degrees(toUnit(figure('top') ?? 0, unit), unit)}`,
        figure('topHours') === undefined ? '' : `after ${duration((figure('topHours') ?? 0) * 60)}`,
        figure('hold') === undefined ? '' : `${number(figure('hold') ?? 0, 0)} min there`,
        figure('kwh') === undefined ? '' : `${number(figure('kwh') ?? 0, 0)} kWh`,
        figure('opened') === undefined
          ? ''
          : `opened at ${degrees(toUnit(figure('opened') ?? 0, unit), unit)}`
      ]
        .filter(Boolean)
        .join(', ')}
    </p>
    <div class="two">
      <section>
        <h2>Noted</h2>
        <ul>
          {#each noted as e (e.key)}<li>
              {clock(new Date(e.at))}
              {e.kind.replace('-', ' ')}
              {e.subject ?? ''}
              {e.text ?? ''}{e.celsius !== null && e.kind === 'state'
                ? ` at ${degrees(toUnit(e.celsius, unit), unit)}`
                : ''}
            </li>{/each}
        </ul>
      </section>
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
        <h2>Out</h2>
        <p>
          {reading.lots.map((l) => counted(l.count, l.what)).join(', ')}
          {results?.out === null || results?.out === undefined
            ? ''
            : `: ${results.out} out, ${results.lost ?? 0} lost`}
        </p>
        {#each results?.faults ?? [] as f, i (i)}<p>
            {faultName(f?.kind ?? '')} on {f?.count}{f?.note ? `: ${f.note}` : ''}
          </p>{/each}
        {#if results?.word}<p>“{results.word}”</p>{/if}
      </section>
    </div>
  </div>
{/if}

<style>
  .sheet {
    font-size: 14px;
  }
  h2 {
    font-size: 15px;
    margin-top: 4px;
  }
  .two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 24px;
  }
  @media print {
    .sheet {
      color: #000;
      font-size: 11px;
    }
  }
</style>
