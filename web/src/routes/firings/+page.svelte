<script lang="ts">
  import { createInfiniteQuery, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, sayProblem, type Firing } from '$lib/api/client';
  import { emptyLot } from '$lib/firings/firing-draft.svelte';
  import { firingsAt } from '$lib/firings/queries';
  import SayLine from '$lib/firings/SayLine.svelte';
  import { clock, kindName, plural, when } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { stateNames } from '$lib/live/words';
  import { nothingSaid, written } from '$lib/saying';
  import FiringsTabs from '$lib/ui/FiringsTabs.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';

  const client = useQueryClient();
  let words = $state('');
  const kilns = createQuery(kilnList);
  const underWay = createInfiniteQuery(() => firingsAt('under-way', words));
  const planned = createInfiniteQuery(() => firingsAt('planned', words));
  const fired = createInfiniteQuery(() => firingsAt('fired', words));
  /** Under way, still to come, and over: the latest of each first. */
  const groups = $derived(
    [
      { name: 'In the kilns', list: underWay },
      { name: 'Planned', list: planned },
      { name: 'Fired', list: fired }
    ].map((group) => ({
      ...group,
      items: group.list.data?.pages.flatMap((part) => part.firings) ?? [],
      total: group.list.data?.pages[0]?.total ?? 0
    }))
  );
  const failed = $derived(groups.find((group) => group.list.isError)?.list);
  const isEmpty = $derived(groups.every((group) => group.list.isSuccess && group.items.length === 0));
  const pieces = (firing: Firing['firing']) =>
    (firing.lots ?? []).reduce((sum, lot) => sum + (lot?.count ?? 0), 0);

  /** The line to say it in is open. */
  let isNew = $state(page.url.searchParams.has('new'));

  async function start() {
    try {
      // As one that was said: in the usual kiln, on the studio's scale, with its preferences.
      const made = await written(nothingSaid('A new firing', 'glaze'));
      const { data, error } = await api.POST('/api/firings', {
        body: { ...made.firing, lots: [emptyLot()] }
      });
      if (!data) throw error;
      await client.invalidateQueries({ queryKey: ['firings'] });
      void goto(`/firings/${data.id}`);
    } catch (error) {
      toasts.show(sayProblem(error), { tone: 'error' });
    }
  }
</script>

<svelte:head><title>Firings · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Firings</h1>
      <FiringsTabs />
    </div>
    <div class="flex items-center gap-2">
      <input
        type="search"
        class="input input-sm w-48"
        placeholder="Find a firing"
        aria-label="Find a firing"
        bind:value={words}
      />
      <button class="btn btn-primary btn-sm" aria-expanded={isNew} onclick={() => (isNew = !isNew)}
        >New firing</button
      >
    </div>
  </header>
  {#if isNew}
    <section class="card-paper" aria-label="A new firing">
      <SayLine>
        {#snippet empty()}
          <p class="text-soft text-[13.5px]">
            Say it in a line, or
            <button type="button" class="link text-primary" onclick={() => void start()}
              >begin with an empty load</button
            >.
          </p>
        {/snippet}
      </SayLine>
    </section>
  {/if}
  {#if failed}
    <p role="alert">
      {sayProblem(failed.error)} <button class="link" onclick={() => failed.refetch()}>Try again</button>
    </p>
  {:else if isEmpty}
    <p class="card-paper text-soft max-w-xl p-5">
      {#if words}No firing says “{words}”.{:else}No firing yet. Start one with what goes into the kiln; the
        plan follows from it.{/if}
    </p>
  {:else}
    {#each groups as group (group.name)}
      {#if group.items.length > 0}
        <section aria-label={group.name}>
          {#if groups.some((g) => g !== group && g.items.length > 0)}<h2 class="mb-2 text-lg">
              {group.name}
            </h2>{/if}
          <ul class="cards">
            {#each group.items as item (item.id)}
              {@const run = item.run}
              <li>
                <a
                  class="card-paper hover:border-primary block h-full px-4 py-3"
                  href="/firings/{item.id}{run ? (run.openedAt ? '?stage=read' : '?stage=fire') : ''}"
                  data-testid="firing"
                >
                  <b class="font-serif text-lg">{item.firing.name}</b>
                  <span class="text-soft block text-[13.5px]">
                    {kindName(item.firing.kind ?? '')}{#if item.firing.kilnId}, in {kilns.data?.find(
                        (k) => k.id === item.firing.kilnId
                      )?.kiln.name ?? '…'}{/if}
                    {#if pieces(item.firing) > 0}· {plural(pieces(item.firing), 'piece')}{/if}
                    · {#if run}{stateNames[run.state].toLowerCase()}, {when(
                        new Date(run.startsAt)
                      )}{:else if item.firing.startsAt}starts {clock(
                        new Date(item.firing.startsAt)
                      )}{:else}{when(new Date(item.updatedAt))}{/if}
                  </span>
                  <span class="text-soft mt-1 block text-[13px]"
                    >{(item.firing.lots ?? [])
                      .map((l) => l?.what)
                      .filter(Boolean)
                      .join(', ')}</span
                  >
                </a>
              </li>
            {/each}
          </ul>
          {#if group.list.hasNextPage}
            <button
              class="btn btn-sm mt-3"
              disabled={group.list.isFetchingNextPage}
              onclick={() => void group.list.fetchNextPage()}
              >{group.list.isFetchingNextPage
                ? 'Loading …'
                : `Show more: ${group.items.length} of ${group.total}`}</button
            >
          {/if}
        </section>
      {/if}
    {/each}
  {/if}
</div>

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
    gap: 12px;
  }
</style>
