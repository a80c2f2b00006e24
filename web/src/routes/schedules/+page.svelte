<script lang="ts">
  import Download from '@lucide/svelte/icons/download';
  import Plus from '@lucide/svelte/icons/plus';
  import Upload from '@lucide/svelte/icons/upload';
  import X from '@lucide/svelte/icons/x';
  import { createInfiniteQuery, createQuery } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { tinykeys } from 'tinykeys';
  import { goto } from '$app/navigation';
  import { api, sayProblem, type Problem } from '$lib/api/client';
  import { plural } from '$lib/format';
  import ImportProblem from '$lib/library/ImportProblem.svelte';
  import { importFile } from '$lib/library/import-file';
  import LibraryFilters from '$lib/library/LibraryFilters.svelte';
  import { library, tagList, type LibraryFilter } from '$lib/library/queries';
  import { removeSchedule } from '$lib/library/remove';
  import StarterSchedules from '$lib/library/StarterSchedules.svelte';
  import ScheduleCard from '$lib/library/ScheduleCard.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';

  let filter: LibraryFilter = $state({ search: '', kind: '', tag: '' });
  const list = createInfiniteQuery(() => library({ ...filter }));
  const tags = createQuery(tagList);
  const picked = new SvelteSet<number>();
  let problem: Problem | null = $state(null);
  let chooser: HTMLInputElement;
  let menu: HTMLElement;

  const found = $derived(list.data?.pages.flatMap((part) => part.schedules) ?? []);
  const total = $derived(list.data?.pages[0]?.total ?? 0);
  const filtered = $derived(Boolean(filter.search || filter.kind || filter.tag));
  const chosen = $derived([...picked]);

  async function copy(id: number) {
    const { data } = await api.POST('/api/schedules/{id}/copy', { params: { path: { id } } });
    if (!data) return toasts.show('No copy could be made', { tone: 'error' });
    await goto(`/schedules/${data.id}`);
  }

  async function remove(id: number, version: number, name: string) {
    if (await removeSchedule(id, version, name)) picked.delete(id);
  }

  async function take(file: File | undefined) {
    if (!file) return;
    problem = null;
    try {
      const result = await importFile(file);
      if ('problem' in result) problem = result.problem;
      else toasts.show(`${plural(result.count, 'schedule')} imported`);
    } catch (error) {
      problem = { detail: sayProblem(error) };
    }
    chooser.value = '';
    await Promise.all([list.refetch(), tags.refetch()]);
  }

  function clear() {
    filter.search = '';
    filter.kind = '';
    filter.tag = '';
  }

  $effect(() =>
    tinykeys(window, {
      '/': (e) => {
        if (e.target instanceof HTMLElement && e.target.matches('input, textarea, select')) return;
        e.preventDefault();
        document.getElementById('library-search')?.focus();
      },
      n: (e) => {
        if (!(e.target instanceof HTMLElement && e.target.matches('input, textarea, select')))
          void goto('/schedules/new');
      }
    })
  );
</script>

<svelte:head><title>Schedules · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-center gap-2">
    <h1 class="mr-auto text-2xl">Schedules</h1>
    <input
      bind:this={chooser}
      type="file"
      accept=".json,.csv,application/json,text/csv"
      class="hidden"
      aria-label="File to import"
      data-testid="import-file"
      onchange={(e) => void take(e.currentTarget.files?.[0])}
    />
    <button class="btn btn-sm btn-ghost" onclick={() => chooser.click()}><Upload size={15} /> Import</button>
    <button class="btn btn-sm btn-ghost" popovertarget="export-menu" style:anchor-name="--export-menu"
      ><Download size={15} /> Export</button
    >
    <ul
      id="export-menu"
      bind:this={menu}
      popover="auto"
      class="dropdown dropdown-end menu bg-base-100 border-base-300 rounded-box w-60 border p-1 shadow-lg"
      style:position-anchor="--export-menu"
    >
      <li class="menu-title">{chosen.length ? plural(chosen.length, 'picked schedule') : 'All schedules'}</li>
      {#each [['json', 'JSON'], ['csv', 'CSV, for a spreadsheet']] as [format, name] (format)}
        <li>
          <a
            href="/api/schedules/export?format={format}{chosen.length ? `&ids=${chosen.join(',')}` : ''}"
            download
            onclick={() => menu.hidePopover()}>{name}</a
          >
        </li>
      {/each}
    </ul>
    <a class="btn btn-sm btn-primary" href="/schedules/new"><Plus size={16} /> New schedule</a>
  </header>

  <div class="flex flex-wrap items-center gap-2">
    <LibraryFilters bind:filter tags={tags.data ?? []} />
    {#if filtered}<button class="btn btn-sm btn-ghost" onclick={clear}><X size={14} /> Clear</button>{/if}
    {#if chosen.length}
      <span class="ml-auto flex items-center gap-2 text-sm" data-testid="picked">
        {chosen.length} picked
        {#if chosen.length === 2}
          <a class="btn btn-sm btn-primary" href="/schedules/compare?a={chosen[0]}&b={chosen[1]}"
            >Compare the two</a
          >
        {:else}
          <span class="text-soft"
            >{chosen.length < 2 ? 'pick one more to compare' : 'pick just two to compare'}</span
          >
        {/if}
        <button class="btn btn-sm btn-ghost" onclick={() => picked.clear()}>None</button>
      </span>
    {/if}
  </div>

  {#if problem}
    <ImportProblem {problem} ondismiss={() => (problem = null)} />
  {/if}

  {#if list.isError}
    <p role="alert">
      {sayProblem(list.error)} <button class="link" onclick={() => list.refetch()}>Try again</button>
    </p>
  {:else if list.isSuccess && found.length === 0}
    <div class="card-paper mx-auto mt-10 max-w-md p-8 text-center" data-testid="library-empty">
      {#if filtered}
        <h2 class="mb-1 text-lg">Nothing like that here</h2>
        <p class="text-soft mb-4">Try fewer words, or another kind.</p>
        <button class="btn btn-paper" onclick={clear}>Show all schedules</button>
      {:else}
        <h2 class="mb-1 text-lg">No schedule yet</h2>
        <p class="text-soft mb-4">
          Write the one you fire most, from your book or your head. It takes a minute.
        </p>
        <p class="flex flex-wrap justify-center gap-2">
          <a class="btn btn-primary" href="/schedules/new">Write a schedule</a>
          <StarterSchedules />
        </p>
      {/if}
    </div>
  {:else}
    <ul class="flex flex-col gap-2" aria-label="Schedules">
      {#each found as schedule (schedule.id)}
        <ScheduleCard
          {schedule}
          picked={picked.has(schedule.id)}
          onpick={(on) => (on ? picked.add(schedule.id) : picked.delete(schedule.id))}
          oncopy={() => void copy(schedule.id)}
          onremove={() => void remove(schedule.id, schedule.version, schedule.name)}
          ontag={(tag) => (filter.tag = tag)}
        />
      {/each}
    </ul>
    {#if list.hasNextPage}
      <button
        class="btn btn-paper mx-auto"
        disabled={list.isFetchingNextPage}
        onclick={() => void list.fetchNextPage()}
        >{list.isFetchingNextPage ? 'Loading …' : `Show more: ${found.length} of ${total}`}</button
      >
    {/if}
    {#if found.length}<p class="text-soft px-1 text-[12.5px]">
        Times of full power and off are those of a plain kiln until one is chosen.
      </p>{/if}
  {/if}
</div>
