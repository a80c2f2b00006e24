<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { number, plural } from '$lib/format';
  import { heatOf } from '$lib/scales';
  import { kilnList } from '$lib/kilns/queries';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';

  const kilns = createQuery(kilnList);
</script>

<svelte:head><title>Kilns · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Stores</h1>
      <StoresTabs />
    </div>
    <a class="btn btn-primary btn-sm" href="/stores/kilns/new">New kiln</a>
  </header>
  {#if kilns.isError}
    <p role="alert">
      {sayProblem(kilns.error)} <button class="link" onclick={() => kilns.refetch()}>Try again</button>
    </p>
  {:else if kilns.isSuccess && kilns.data.length === 0}
    <p class="card-paper text-soft max-w-xl p-5">
      No kiln yet. <a class="link text-primary" href="/stores/kilns/new">Make your first one</a>: pick the
      kind that is nearest, give it a name, and the desk shows what it can really do.
    </p>
  {:else}
    <ul class="cards">
      {#each kilns.data ?? [] as kiln (kiln.id)}
        <li>
          <a class="card-paper hover:border-primary block h-full px-4 py-3" href="/stores/kilns/{kiln.id}">
            <span class="flex items-baseline justify-between gap-2">
              <b class="font-serif text-lg">{kiln.kiln.name}</b>
              <span class="text-soft text-[13px]">{kiln.className}</span>
            </span>
            <dl class="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-0.5 text-[13.5px]">
              <dt class="text-soft">Volume</dt>
              <dd class="text-right">{number(kiln.kiln.volume ?? 0, 0)} L</dd>
              {#if kiln.kiln.heat === 'fuel'}
                <dt class="text-soft">Burners</dt>
                <dd class="text-right">
                  {number(kiln.kiln.burners ?? 0, 0)} × {number(kiln.kiln.burnerPower ?? 0)} kW, {kiln.kiln
                    .fuel === 'naturalGas'
                    ? 'natural gas'
                    : 'propane'}
                </dd>
                <dt class="text-soft">Gauge</dt>
                <dd class="text-right">to {number(kiln.kiln.mostPressure ?? 0, 2)} bar</dd>
              {:else}
                <dt class="text-soft">Power now</dt>
                <dd class="text-right">
                  {number(((kiln.kiln.power ?? 0) * (kiln.kiln.elementHealth ?? 100)) / 100_000)} kW, {number(
                    kiln.amperes ?? 0,
                    0
                  )} A
                </dd>
                <dt class="text-soft">Elements give</dt>
                <dd class="text-right">{number(kiln.kiln.elementHealth ?? 100, 0)} %</dd>
              {/if}
              <dt class="text-soft">Made for up to</dt>
              <dd class="text-right">{heatOf(kiln.kiln.topLimit ?? 0, kiln.kiln.unit ?? 'C')}</dd>
              <dt class="text-soft">Known to</dt>
              <dd class="text-right">± {number(kiln.kiln.uncertainty ?? 10, 0)} %</dd>
            </dl>
            {#if kiln.kiln.notes}<p class="text-soft mt-2 line-clamp-2 text-[13px]" data-units="own">
                {kiln.kiln.notes}
              </p>{/if}
          </a>
        </li>
      {/each}
    </ul>
    <p class="text-soft text-[13px]">{plural(kilns.data?.length ?? 0, 'kiln')}</p>
  {/if}
</div>

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
    gap: 12px;
  }
</style>
