<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, sayProblem, type Schedule, type Unit } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration, number } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { allSchedules } from '$lib/library/queries';
  import { toUnit } from '$lib/units';

  const a = $derived(Number(page.url.searchParams.get('a')) || null);
  const b = $derived(Number(page.url.searchParams.get('b')) || null);
  const list = createQuery(allSchedules);
  const kilns = createQuery(kilnList);
  /** The kiln somebody chose; without one, that of the first schedule's firing. */
  const asked = $derived.by(() => {
    const named = page.url.searchParams.get('kiln');
    return named === 'plain' ? ('plain' as const) : Number(named) || null;
  });

  async function read(id: number): Promise<Schedule> {
    const { data, error } = await api.GET('/api/schedules/{id}', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }

  /** The firing a schedule was planned for, whose kiln and load it is compared with. */
  async function firingOf(id: number) {
    const { data, error, response } = await api.GET('/api/schedules/{id}/firing', {
      params: { path: { id } }
    });
    if (!data && response.status !== 204) throw error;
    return data ? { id: data.id, name: data.firing.name, kilnId: data.firing.kilnId ?? null } : null;
  }

  /** Both on one scale, the studio's, or they could not share a chart. */
  async function look(schedule: Schedule, unit: Unit, kilnId: number | null, firingId: number | null) {
    const converted = await api.POST('/api/schedules/convert', { body: { schedule, unit } });
    if (!converted.data) throw converted.error;
    const { data, error } = await api.POST('/api/preview', {
      body: {
        schedule: converted.data,
        kilnId,
        load: firingId === null ? null : { firingId },
        between: [
          { from: toUnit(1000, unit), to: toUnit(1400, unit) },
          { from: toUnit(850, unit), to: toUnit(1040, unit) }
        ]
      }
    });
    if (!data) throw error;
    return { schedule, preview: data };
  }

  const both = createQuery(() => ({
    queryKey: ['schedules', 'compare', a, b, asked, display.unit],
    enabled: a !== null,
    queryFn: async () => {
      const first = await read(a ?? 0);
      const second = b === null ? null : await read(b);
      const unit = display.unit;
      const of = [await firingOf(first.id), second && (await firingOf(second.id))];
      const kilnId = asked === 'plain' ? null : (asked ?? of[0]?.kilnId ?? of[1]?.kilnId ?? null);
      // Both with the same load, or the difference would be the load's.
      const load = of.find((firing) => firing && kilnId !== null && firing.kilnId === kilnId) ?? null;
      const on = [unit, kilnId, load?.id ?? null] as const;
      return { one: await look(first, ...on), two: second && (await look(second, ...on)), kilnId, load };
    }
  }));

  const one = $derived(both.data?.one);
  const two = $derived(both.data?.two);
  const unit = $derived(one?.preview.unit ?? 'C');

  const rows = $derived.by(() => {
    if (!one || !two) return [];
    const [p, q] = [one.preview, two.preview];
    const minutes = (name: string, x: number, y: number) => ({
      name,
      x: duration(x),
      y: duration(y),
      by: signed(y - x, duration)
    });
    const perHour = (v: number) => `${number(v, 0)} °${unit}/h`;
    const warmth = (v: number) => degrees(v, unit);
    const band = (i: number, way: 'risingMinutes' | 'fallingMinutes') =>
      [p.timeBetween[i]?.[way] ?? 0, q.timeBetween[i]?.[way] ?? 0] as const;
    return [
      { name: 'Top', x: warmth(p.peak), y: warmth(q.peak), by: signed(q.peak - p.peak, warmth) },
      minutes('Power on', p.poweredMinutes, q.poweredMinutes),
      minutes('In all', p.totalMinutes, q.totalMinutes),
      minutes(`Above ${degrees(toUnit(1000, unit), unit)}, climbing or held`, ...band(0, 'risingMinutes')),
      minutes(
        `Cooling through ${number(toUnit(1040, unit), 0)} to ${degrees(toUnit(850, unit), unit)}`,
        ...band(1, 'fallingMinutes')
      ),
      {
        name: 'Fastest climb',
        x: perHour(p.fastestRise),
        y: perHour(q.fastestRise),
        by: signed(q.fastestRise - p.fastestRise, perHour)
      },
      {
        name: 'Fastest fall',
        x: perHour(p.fastestFall),
        y: perHour(q.fastestFall),
        by: signed(q.fastestFall - p.fastestFall, perHour)
      }
    ];
  });

  const signed = (value: number, say: (v: number) => string) =>
    Math.abs(value) < 0.5 ? 'same' : `${value > 0 ? '+' : '−'}${say(Math.abs(value))}`;

  const choose = (which: 'a' | 'b' | 'kiln', value: string) => {
    const query = Object.entries({ a, b, kiln: asked, [which]: value })
      .filter(([, v]) => v !== null)
      .map(([name, v]) => `${name}=${v}`)
      .join('&');
    void goto(`/schedules/compare?${query}`, { replaceState: true, keepFocus: true });
  };
</script>

<svelte:head><title>Compare · Zealous Ember</title></svelte:head>

{#snippet chooser(which: 'a' | 'b', id: number | null, name: string)}
  <label class="flex min-w-0 flex-1 basis-60 items-center gap-2 text-sm">
    <svg width="34" height="10" viewBox="0 0 34 10" aria-hidden="true" class="shrink-0">
      <rect width="34" height="10" rx="5" fill="#1b1512" />
      <path
        d="M4 5H30"
        stroke={which === 'a' ? '#f0761f' : '#cfe0f2'}
        stroke-width={which === 'a' ? 3 : 2}
        stroke-dasharray={which === 'a' ? undefined : '1 4'}
        stroke-linecap="round"
      />
    </svg>
    <span class="sr-only">{name}</span>
    <select
      class="select select-sm min-w-0 flex-1"
      value={String(id ?? '')}
      onchange={(e) => choose(which, e.currentTarget.value)}
    >
      <option value="" disabled>choose a schedule</option>
      {#each list.data ?? [] as schedule (schedule.id)}<option value={String(schedule.id)}
          >{schedule.name}</option
        >{/each}
    </select>
  </label>
{/snippet}

<div class="page max-w-none">
  <header class="flex flex-wrap items-center gap-3">
    <h1 class="text-2xl">Compare</h1>
    {@render chooser('a', a, 'The first schedule')}
    {@render chooser('b', b, 'The second schedule')}
    <label class="flex items-center gap-2 text-sm"
      >in
      <select
        class="select select-sm w-auto"
        value={String(both.data?.kilnId ?? 'plain')}
        onchange={(e) => choose('kiln', e.currentTarget.value)}
        data-testid="in-kiln"
      >
        {#each kilns.data ?? [] as kiln (kiln.id)}<option value={String(kiln.id)}>{kiln.kiln.name}</option
          >{/each}
        <option value="plain">no kiln: as written</option>
      </select></label
    >
  </header>
  {#if both.isError}
    <p class="text-error" role="alert">{sayProblem(both.error)}</p>
  {:else if one}
    <FiringChart
      curve={one.preview.curve}
      other={two?.preview.curve}
      {unit}
      bands={one.preview.bands}
      poweredMinutes={one.preview.poweredMinutes}
      height={380}
      label="{one.schedule.name}{two ? ` and ${two.schedule.name}` : ''} on one chart"
    />
    {#if two}
      <div class="card-paper overflow-x-auto">
        <table class="table-sm table" data-testid="differences">
          <thead class="text-base-content">
            <tr>
              <th></th>
              <th class="text-right"
                ><a class="link-hover" href="/schedules/{one.schedule.id}">{one.schedule.name}</a></th
              >
              <th class="text-right"
                ><a class="link-hover" href="/schedules/{two.schedule.id}">{two.schedule.name}</a></th
              >
              <th class="text-right">Difference</th>
            </tr>
          </thead>
          <tbody>
            {#each rows as row (row.name)}
              <tr>
                <th class="text-soft font-normal" scope="row">{row.name}</th>
                <td class="text-right font-semibold">{row.x}</td>
                <td class="text-right font-semibold">{row.y}</td>
                <td class={['text-right', row.by === 'same' && 'text-soft']}>{row.by}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <p class="text-soft text-[12.5px]">
        {#if both.data?.load}Both with the load of “{both.data.load.name}”.{:else if both.data?.kilnId}Both
          with a usual load of this kiln.{:else}As written: whether a kiln can follow is not asked.{/if}
      </p>
      {#if one.schedule.unit !== unit || two.schedule.unit !== unit}
        <p class="text-soft text-[12.5px]">
          Both are shown in °{unit}, as the studio reads it{one.schedule.unit === two.schedule.unit
            ? ''
            : '; they were written on two scales'}.
        </p>
      {/if}
    {/if}
  {:else if a === null}
    <p class="text-soft">Choose two schedules to see them on one chart.</p>
  {/if}
</div>

<style>
</style>
