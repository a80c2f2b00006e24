<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { onScale } from '$lib/said-units';
  import { toCelsius, toUnit } from '$lib/units';
  import CompareChart from '$lib/logbook/CompareChart.svelte';
  import CompareTable from '$lib/logbook/CompareTable.svelte';
  import PickFiring from '$lib/logbook/PickFiring.svelte';
  import { compared, type Alignment } from '$lib/logbook/queries';
  import FiringsTabs from '$lib/ui/FiringsTabs.svelte';

  const ids = $derived(
    (page.url.searchParams.get('ids') ?? '')
      .split(',')
      .map(Number)
      .filter((id) => id > 0)
  );
  const most = 12;
  const show = (next: readonly number[]) =>
    void goto(`/firings/compare?ids=${next.join(',')}`, { keepFocus: true, noScroll: true });
  const add = (id: number) => show([...ids, id]);
  /** The only one so far, by its name. */
  const named = createQuery(() => ({
    queryKey: ['firing', ids[0], 'name'],
    enabled: ids.length === 1,
    queryFn: async () =>
      (await api.GET('/api/firings/{id}', { params: { path: { id: ids[0] ?? 0 } } })).data?.firing.name ??
      null
  }));
  let align = $state<Alignment>('start');
  let celsius = $state(1000);
  const through = $derived(align === 'rise' || align === 'fall');
  const told = createQuery(() => ({
    ...compared(ids, align, through ? celsius : null),
    enabled: ids.length > 1
  }));
  const ways: { id: Alignment; name: string }[] = [
    { id: 'start', name: 'at their start' },
    { id: 'top', name: 'at the end of their top' },
    { id: 'rise', name: 'rising through' },
    { id: 'fall', name: 'falling through' }
  ];
</script>

<svelte:head><title>Compare firings · Zealous Ember</title></svelte:head>

<div class="page">
  <header>
    <h1 class="text-2xl">Firings</h1>
    <FiringsTabs />
  </header>
  {#if ids.length < 2}
    <section class="card-paper grid max-w-xl gap-3 p-5">
      <p class="text-soft">
        {#if ids.length === 1 && named.data}Beside <b class="text-base-content">{named.data}</b>: choose
          another firing{:else}Choose two firings or more, here or in the
          <a class="link" href="/firings/logbook">logbook</a>{/if}; they lie on one chart, number beside
        number.
      </p>
      <PickFiring taken={ids} label={ids.length === 1 ? 'Lay it beside' : 'The first'} onpick={add} />
    </section>
  {:else if told.isError}
    <p role="alert">
      {sayProblem(told.error)} <button class="link" onclick={() => told.refetch()}>Try again</button>
    </p>
  {:else if told.data}
    <p class="flex flex-wrap items-center gap-1.5">
      Laid over each other
      <select class="select select-sm w-auto" aria-label="Laid over each other" bind:value={align}>
        {#each ways as way (way.id)}<option value={way.id}>{way.name}</option>{/each}
      </select>
      {#if through}<input
          class="word-field w-16"
          inputmode="numeric"
          aria-label="Through which temperature, °{display.unit}"
          value={Math.round(toUnit(celsius, display.unit))}
          onchange={(e) => {
            const value = toCelsius(Number(e.currentTarget.value), display.unit);
            if (value > 0 && value <= 1400) celsius = value;
            else e.currentTarget.value = String(Math.round(toUnit(celsius, display.unit)));
          }}
        />
        °{display.unit}{/if}
      {#if ids.length < most}<span class="ml-auto"
          ><PickFiring taken={ids} label="Add a firing" onpick={add} /></span
        >{/if}
    </p>
    <CompareChart compared={told.data} />
    {#if told.data.mattered.length > 0}
      <section class="card-paper p-4" aria-label="What probably mattered">
        <h2 class="mb-1 text-[16px]">What probably mattered</h2>
        <ul class="list-disc pl-5">
          {#each told.data.mattered as text (text)}<li>{onScale(text)}</li>{/each}
        </ul>
      </section>
    {/if}
    <CompareTable compared={told.data} ondrop={(id) => show(ids.filter((i) => i !== id))} />
  {:else}
    <p class="text-soft" aria-live="polite">Laying them over each other …</p>
  {/if}
</div>
