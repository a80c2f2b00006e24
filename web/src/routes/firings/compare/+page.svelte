<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { sayProblem } from '$lib/api/client';
  import CompareChart from '$lib/logbook/CompareChart.svelte';
  import CompareTable from '$lib/logbook/CompareTable.svelte';
  import { compared, type Alignment } from '$lib/logbook/queries';
  import FiringsTabs from '$lib/ui/FiringsTabs.svelte';

  const ids = $derived(
    (page.url.searchParams.get('ids') ?? '')
      .split(',')
      .map(Number)
      .filter((id) => id > 0)
  );
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
    <p class="card-paper text-soft max-w-xl p-5">
      Pick two or more firings in the <a class="link" href="/firings/logbook">logbook</a>; here they lie on
      one chart.
    </p>
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
          aria-label="Through which temperature, °C"
          value={celsius}
          onchange={(e) => {
            const value = Number(e.currentTarget.value);
            if (value > 0 && value <= 1400) celsius = value;
            else e.currentTarget.value = String(celsius);
          }}
        /> °C{/if}
    </p>
    <CompareChart compared={told.data} />
    {#if told.data.mattered.length > 0}
      <section class="card-paper p-4" aria-label="What probably mattered">
        <h2 class="mb-1 text-[16px]">What probably mattered</h2>
        <ul class="list-disc pl-5">
          {#each told.data.mattered as text (text)}<li>{text}</li>{/each}
        </ul>
      </section>
    {/if}
    <CompareTable compared={told.data} />
  {:else}
    <p class="text-soft" aria-live="polite">Laying them over each other …</p>
  {/if}
</div>
