<script lang="ts" generics="T extends { name?: string | null; notes?: string | null }">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack, type Snippet } from 'svelte';
  import { fieldErrors, sayProblem } from '$lib/api/client';
  import Dialog from '$lib/ui/Dialog.svelte';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Shelf, StockItem } from './shelves';
  import PhotoField from './PhotoField.svelte';
  import { photosOf } from './photos';
  import StockField, { type Field } from './StockField.svelte';

  /** A shelf of clays or glazes: search, cards, one form for a new and for an old one. */
  interface Props {
    title: string;
    one: string;
    shelf: Shelf<T>;
    fields: readonly Field<T>[];
    empty: T;
    hint: string;
    card: Snippet<[T]>;
  }
  const { title, one, shelf, fields, empty, hint, card }: Props = $props();

  const client = useQueryClient();
  let words = $state('');
  let open = $state.raw<{ item: StockItem<T> | null } | null>(null);
  let body = $state.raw<T>(untrack(() => empty));
  let errors = $state.raw<Record<string, string>>({});

  const items = createQuery(() => ({
    queryKey: [shelf.key, words],
    placeholderData: (before: StockItem<T>[] | undefined) => before,
    queryFn: () => shelf.search(words)
  }));
  const photos = createQuery(() => photosOf(shelf.key).query);
  const refresh = () => client.invalidateQueries({ queryKey: [shelf.key] });

  function edit(item: StockItem<T> | null) {
    open = { item };
    body = item?.body ?? empty;
    errors = {};
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    if (!open) return;
    const answer = await shelf.keep(open.item, body);
    if ('item' in answer) {
      open = null;
      await refresh();
    } else {
      errors = fieldErrors(answer.problem);
      if (Object.keys(errors).length === 0) toasts.show(sayProblem(answer.problem), { tone: 'error' });
    }
  }

  async function remove(item: StockItem<T>) {
    const problem = await shelf.remove(item.id);
    if (problem) return toasts.show(sayProblem(problem), { tone: 'error' });
    open = null;
    await refresh();
    toasts.show(`${item.body.name} is off the shelf`, {
      action: { label: 'Undo', run: () => void shelf.restore(item.id).then(refresh) }
    });
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
      <button class="btn btn-primary btn-sm" onclick={() => edit(null)}>New {one}</button>
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
            onclick={() => edit(item)}
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

{#if open}
  {@const item = open.item}
  <Dialog title={item ? (item.body.name ?? '') : `New ${one}`} onclose={() => (open = null)}>
    <form class="grid gap-3" onsubmit={keep}>
      {#if item}<PhotoField shelf={shelf.key} id={item.id} name={item.body.name ?? one} />{/if}
      <div class="fields">
        {#each fields as field (field.name)}
          <StockField
            {field}
            {body}
            error={errors[field.name as string]}
            onchange={(change) => (body = { ...body, ...change })}
          />
        {/each}
      </div>
      <p class="flex gap-2">
        <button class="btn btn-sm btn-primary">{item ? 'Keep' : `Put it on the shelf`}</button>
        {#if item}
          <button
            type="button"
            class="btn btn-sm btn-ghost text-error ml-auto"
            onclick={() => void remove(item)}>Delete</button
          >
        {/if}
      </p>
    </form>
  </Dialog>
{/if}

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
    gap: 12px;
  }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 10px 18px;
    align-items: start;
  }
</style>
