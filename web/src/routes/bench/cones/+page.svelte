<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem, type Unit } from '$lib/api/client';
  import ConeChart from '$lib/cones/ConeChart.svelte';
  import ConeRow from '$lib/cones/ConeRow.svelte';
  import ConeWhy from '$lib/cones/ConeWhy.svelte';
  import WallTable from '$lib/cones/WallTable.svelte';
  import BenchTabs from '$lib/ui/BenchTabs.svelte';
  import { display } from '$lib/display.svelte';
  import WordField from '$lib/fields/WordField.svelte';
  import { readHold, readNumber } from '$lib/fields/parse';
  import { hold, number } from '$lib/format';
  import { perKelvin, toUnit } from '$lib/units';

  /** The studio's scale until somebody looks at the other. */
  let other: Unit | null = $state(null);
  const unit = $derived(other ?? display.unit);
  let cone = $state('6');
  let holdMinutes = $state(10);
  /** In °C whatever is shown, so that switching scales there and back keeps them. */
  let climb = $state(60);
  let top = $state(1215);

  const perDegree = $derived(perKelvin(unit));
  const rateShown = $derived(climb * perDegree);
  const topShown = $derived(toUnit(top, unit));
  const fromShown = (t: number) => (unit === 'C' ? t : ((t - 32) * 5) / 9);

  const table = createQuery(() => ({
    queryKey: ['cones', 'table'],
    staleTime: Infinity,
    queryFn: async () => (await api.GET('/api/cones')).data ?? []
  }));
  const lines = createQuery(() => ({
    queryKey: ['cones', 'lines', unit],
    staleTime: Infinity,
    queryFn: async () => (await api.GET('/api/cones/endpoints', { params: { query: { unit } } })).data ?? null
  }));
  const kept = { placeholderData: <T,>(previous: T) => previous, retry: false };

  /** The top for the chosen cone, and what one cone hotter would ask for here. */
  const answer = createQuery(() => ({
    ...kept,
    // The next hotter cone is looked up in the table.
    enabled: table.isSuccess,
    queryKey: ['cones', 'solve', cone, holdMinutes, climb, unit],
    queryFn: async () => {
      const ask = (which: string, find: 'top' | 'hold', extra: object) =>
        api.POST('/api/cones/solve', { body: { cone: which, find, unit, approach: rateShown, ...extra } });
      const { data, error } = await ask(cone, 'top', { holdMinutes });
      if (!data) throw error;
      const rows = table.data ?? [];
      const next = rows[rows.findIndex((r) => r.cone === data.cone) + 1]?.cone;
      const hotter = next ? (await ask(next, 'top', { holdMinutes })).data : undefined;
      const longer = next ? (await ask(next, 'hold', { top: data.top })).data : undefined;
      return {
        ...data,
        next,
        hotterBy: hotter && hotter.top - data.top,
        longerBy: longer && longer.holdMinutes - holdMinutes
      };
    }
  }));
  const reading = createQuery(() => ({
    ...kept,
    queryKey: ['cones', 'reading', top, holdMinutes, climb, unit],
    queryFn: async () => {
      const segments = [{ pace: 'rate' as const, rate: rateShown, target: topShown, holdMinutes }];
      const { data, error } = await api.POST('/api/preview', {
        body: { schedule: { name: '', kind: 'glaze', unit, segments } }
      });
      if (!data) throw error;
      return data;
    }
  }));
</script>

<svelte:head><title>Cones · Zealous Ember</title></svelte:head>

<div class="page max-w-none">
  <header class="flex flex-wrap items-center gap-2 print:hidden">
    <div class="mr-auto">
      <h1 class="text-2xl">Bench</h1>
      <BenchTabs />
    </div>
    <button
      class="btn btn-sm btn-paper"
      onclick={() => (other = unit === 'C' ? 'F' : 'C')}
      data-units="own"
      aria-label="°C °F: shown in °{unit}; switch"
    >
      <span class={unit === 'C' ? 'text-primary font-bold' : 'text-soft font-normal'}>°C</span>
      <span class={unit === 'F' ? 'text-primary font-bold' : 'text-soft font-normal'}>°F</span>
    </button>
    <button class="btn btn-sm btn-paper" onclick={() => window.print()}>Print the table</button>
  </header>

  <div class="columns">
    <div class="flex min-w-0 flex-col gap-3">
      <section class="card-paper p-4" aria-label="From a cone to a temperature">
        <p class="ask">
          Cone <WordField
            id="ask-cone"
            label="Cone"
            text={cone}
            read={(t) => ({ value: t })}
            onvalue={(v) => (cone = v)}
          />
          after a last climb of
          <WordField
            id="ask-climb"
            label="Climb, °{unit}/h"
            text={number(rateShown)}
            read={readNumber}
            onvalue={(v) => v && (climb = v / perDegree)}
            onstep={(by) => (climb = Math.max(1, climb + by))}
          />
          °{unit}/h, held
          <WordField
            id="ask-hold"
            label="Hold"
            text={hold(holdMinutes)}
            placeholder="no time"
            read={readHold}
            onvalue={(v) => (holdMinutes = v)}
            onstep={(by) => (holdMinutes = Math.max(0, holdMinutes + by))}
          />
        </p>
        {#if answer.isError}
          <p class="text-error mt-2" role="alert">{sayProblem(answer.error)}</p>
        {:else if answer.data}
          <p class="mt-2 font-serif text-3xl font-semibold" data-testid="cone-top">
            {number(answer.data.top, 0)} °{unit}
          </p>
          {#if answer.data.next && answer.data.hotterBy !== undefined}
            <p class="text-soft mt-1 text-sm" data-testid="one-hotter">
              One cone hotter ({answer.data.next}) is <b>{number(answer.data.hotterBy, 0)} °{unit}</b> more
              here{#if answer.data.longerBy !== undefined}, or
                <b>{hold(Math.round(answer.data.longerBy))}</b> more hold{/if}.
            </p>
          {/if}
        {/if}
      </section>
      <section class="card-paper p-4" aria-label="From a temperature to cones">
        <p class="ask">
          The same climb and hold to
          <WordField
            id="ask-top"
            label="Top, °{unit}"
            text={number(topShown)}
            read={readNumber}
            onvalue={(v) => v !== null && (top = fromShown(v))}
            onstep={(by) => (top += by)}
          />
          °{unit}
        </p>
        {#if reading.isError}
          <p class="text-error mt-2" role="alert">{sayProblem(reading.error)}</p>
        {:else if reading.data}
          <p class="mt-1 mb-2 font-semibold" data-testid="cone-reading">{reading.data.coneWords}</p>
          {#if reading.data.cones.length}<div class="max-w-xs">
              <ConeRow cones={reading.data.cones} goal={reading.data.cones[1]?.cone ?? null} />
            </div>{/if}
        {/if}
      </section>
      <ConeWhy {unit} />
    </div>
    {#if lines.data}<ConeChart
        data={lines.data}
        chosen={answer.data?.cone ?? cone}
        onchoose={(c) => (cone = c)}
      />{/if}
  </div>

  <WallTable rows={table.data ?? []} {unit} />
</div>

<style>
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr);
    gap: 14px;
    align-items: start;
  }
  .ask {
    font-size: 16px;
    line-height: 2;
  }
  @media (max-width: 900px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    .page {
      padding: 0;
    }
    .columns {
      display: none;
    }
  }
</style>
