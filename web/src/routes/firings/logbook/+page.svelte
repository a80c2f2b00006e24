<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { sayProblem } from '$lib/api/client';
  import { plural } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import BestOf from '$lib/logbook/BestOf.svelte';
  import LogbookCard from '$lib/logbook/LogbookCard.svelte';
  import LogbookFilters from '$lib/logbook/LogbookFilters.svelte';
  import { askedIn, logbook, type Narrowing } from '$lib/logbook/queries';
  import Trends from '$lib/logbook/Trends.svelte';
  import { glazes } from '$lib/stock/collections';
  import FiringsTabs from '$lib/ui/FiringsTabs.svelte';

  const atOnce = 60;
  let taken = $state(atOnce);
  const params = $derived(page.url.searchParams);
  const query = $derived(askedIn(params));
  const found = createQuery(() => logbook(query, Math.min(200, taken)));
  const kilns = createQuery(kilnList);
  const allGlazes = createQuery(() => ({ queryKey: ['glazes', ''], queryFn: () => glazes.search('') }));
  const glazeName = (id: number) => allGlazes.data?.find((g) => g.id === id)?.body.name ?? '';
  let picked: number[] = $state([]);

  /** The address says what is shown, so that a look at the logbook can be kept and sent. */
  function narrow(name: Narrowing, value: string) {
    const next = [...params].filter(([key]) => key !== name);
    if (value) next.push([name, value]);
    const asked = next.map(([key, text]) => `${key}=${encodeURIComponent(text)}`).join('&');
    taken = atOnce;
    void goto(`?${asked}`, { replaceState: true, keepFocus: true, noScroll: true });
  }
</script>

<svelte:head><title>Logbook · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Firings</h1>
      <FiringsTabs />
    </div>
    {#if found.data}<p class="text-soft text-[13.5px]" aria-live="polite" data-testid="total">
        {plural(found.data.total, 'firing')}
      </p>{/if}
  </header>
  <LogbookFilters
    {params}
    onchange={narrow}
    onclear={() => void goto('?', { replaceState: true, noScroll: true })}
  />
  {#if params.get('glaze')}<BestOf {query} of={glazeName(Number(params.get('glaze')))} />{/if}
  <Trends {query} />
  {#if found.isError}
    <p role="alert">
      {sayProblem(found.error)} <button class="link" onclick={() => found.refetch()}>Try again</button>
    </p>
  {:else if found.data && found.data.firings.length === 0}
    <p class="card-paper text-soft max-w-xl p-5">
      {#if [...params.keys()].length > 0}No finished firing matches.{:else}Nothing here yet. A firing comes
        into the logbook when its kiln is opened, or when its log is imported.{/if}
    </p>
  {:else}
    <ul class="grid gap-2">
      {#each found.data?.firings ?? [] as firing (firing.firingId)}
        <li>
          <LogbookCard
            {firing}
            kiln={kilns.data?.find((k) => k.id === firing.kilnId)?.kiln.name ?? 'a kiln'}
            glazes={firing.glazes.map(glazeName).filter(Boolean)}
            picked={picked.includes(firing.firingId)}
            onpick={(on) =>
              (picked = on ? [...picked, firing.firingId] : picked.filter((id) => id !== firing.firingId))}
          />
        </li>
      {/each}
    </ul>
    {#if found.data && found.data.total > found.data.firings.length && taken < 200}
      <button class="btn btn-paper justify-self-start" onclick={() => (taken += atOnce)}>Show more</button>
    {/if}
  {/if}
  {#if picked.length > 0}
    <div class="bar" role="status">
      {picked.length === 1 ? 'Pick another to compare it with.' : `${picked.length} picked`}
      {#if picked.length > 1}<a class="btn btn-primary btn-sm" href="/firings/compare?ids={picked.join(',')}"
          >Compare them</a
        >{/if}
      <button class="btn btn-ghost btn-sm" onclick={() => (picked = [])}>Let go</button>
    </div>
  {/if}
</div>

<style>
  .bar {
    position: sticky;
    bottom: 12px;
    display: flex;
    align-items: center;
    gap: 10px;
    align-self: start;
    padding: 8px 14px;
    border-radius: 12px;
    background: var(--color-neutral);
    color: var(--color-neutral-content);
  }
  @media (max-width: 767px) {
    .bar {
      bottom: 76px;
    }
  }
</style>
