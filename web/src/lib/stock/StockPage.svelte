<script lang="ts" generics="T extends { name?: string | null; notes?: string | null }">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import type { Snippet } from 'svelte';
  import { sayProblem } from '$lib/api/client';
  import { openDraft, type Opened } from '$lib/draft/remote';
  import type { Stored } from '$lib/draft/outcome';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Collection } from './collections';
  import { photosOf } from './photos';
  import StockDialog from './StockDialog.svelte';
  import type { Field } from './StockField.svelte';

  /** Clays or glazes: search, cards, one dialog for a new and for an old one. */
  interface Props {
    title: string;
    one: string;
    collection: Collection<T>;
    fields: readonly Field<T>[];
    empty: T;
    hint: string;
    card: Snippet<[T]>;
  }
  const { title, one, collection, fields, empty, hint, card }: Props = $props();

  const client = useQueryClient();
  let words = $state('');
  let opened = $state.raw<Opened<T> | null>(null);

  const items = createQuery(() => ({
    queryKey: [collection.key, words],
    placeholderData: (before: Stored<T>[] | undefined) => before,
    queryFn: () => collection.search(words)
  }));
  const photos = createQuery(() => photosOf(collection.key).query);
  const refresh = () => client.invalidateQueries({ queryKey: [collection.key] });

  async function open(id: number | null) {
    try {
      opened = await openDraft(collection.remote.key(id), () =>
        id === null ? Promise.resolve(null) : collection.find(id)
      );
    } catch (error) {
      toasts.show(sayProblem(error), { tone: 'error' });
    }
  }
</script>

<svelte:head><title>{title} · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Stores</h1>
      <StoresTabs />
    </div>
    <div class="flex items-center gap-2">
      <input
        type="search"
        class="input input-sm w-48"
        placeholder="Find a {one}"
        aria-label="Find a {one}"
        bind:value={words}
      />
      <button class="btn btn-primary btn-sm" onclick={() => void open(null)}>New {one}</button>
    </div>
  </header>
  {#if items.isError}
    <p role="alert">
      {sayProblem(items.error)} <button class="link" onclick={() => items.refetch()}>Try again</button>
    </p>
  {:else if items.isSuccess && items.data.length === 0}
    <p class="card-paper text-soft max-w-xl p-5">
      {#if words}No {one} says “{words}”.{:else}{hint}{/if}
    </p>
  {:else}
    <ul class="cards">
      {#each items.data ?? [] as item (item.id)}
        <li>
          <button
            class="card-paper hover:border-primary grid h-full w-full grid-cols-[1fr_auto] content-start gap-3 px-4 py-3 text-left"
            data-testid="stock"
            onclick={() => void open(item.id)}
          >
            <span class="block">
              <b class="font-serif text-lg">{item.body.name}</b>
              {@render card(item.body)}
              {#if item.body.notes}<span class="text-soft mt-1.5 line-clamp-2 text-[13px]"
                  >{item.body.notes}</span
                >{/if}
            </span>
            {#if photos.data?.[item.id]}<img
                class="h-20 w-20 rounded-lg object-cover"
                src={photos.data[item.id]}
                alt=""
              />{/if}
          </button>
        </li>
      {/each}
    </ul>
  {/if}
</div>

{#if opened}
  <StockDialog
    {one}
    {collection}
    {fields}
    {empty}
    {opened}
    onsaved={() => void refresh()}
    onclose={() => (opened = null)}
  />
{/if}

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
    gap: 12px;
  }
</style>
