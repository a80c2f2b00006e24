<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import { when } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import ChangeRow from './ChangeRow.svelte';
  import { peopleList } from './queries';

  /** Who changed what, the latest first. */
  const pageLength = 50;
  let personId: number | null = $state(null);
  let words = $state('');
  let from: string | null = $state(null);
  let page = $state(1);
  let checked: string | null = $state(null);
  const people = createQuery(peopleList);
  const names = $derived(new Map((people.data ?? []).map((p) => [p.id, p.name])));
  const filter = $derived({
    ...(personId !== null && { personId }),
    ...(words.trim() ? { words: words.trim() } : {}),
    ...(from ? { from } : {})
  });
  const changes = createQuery(() => ({
    queryKey: ['audit', filter, page],
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const { data, error } = await api.GET('/api/audit', { params: { query: { ...filter, page } } });
      if (!data) throw error;
      return data;
    }
  }));
  const pages = $derived(Math.max(1, Math.ceil((changes.data?.total ?? 0) / pageLength)));
  const asked = $derived(
    new URLSearchParams(
      Object.entries(filter).map(([name, value]) => [name, String(value)] as [string, string])
    )
  );

  /** Only what a restored copy would not have. */
  async function sinceCopy() {
    const { data } = await api.GET('/api/audit', { params: { query: { words: 'copies', page: 1 } } });
    const last = data?.items[0];
    if (!last) return void toasts.show('No copy was made yet.');
    [from, page] = [last.at, 1];
  }

  async function check() {
    const { data, error } = await api.GET('/api/audit/check');
    if (!data) return void toasts.show(sayProblem(error), { tone: 'error' });
    checked = data.unbroken
      ? `All ${data.rows} changes are as they were written.`
      : `Change ${data.firstBroken} of ${data.rows} is not as it was written: somebody changed the file by hand.`;
  }
</script>

<div class="flex flex-wrap items-end gap-2 print:hidden">
  <label class="grid gap-1 text-[14px]"
    >Who
    <select class="select select-sm w-40" bind:value={personId} onchange={() => (page = 1)}>
      <option value={null}>Everybody</option>
      {#each people.data ?? [] as person (person.id)}<option value={person.id}>{person.name}</option>{/each}
    </select></label
  >
  <label class="grid gap-1 text-[14px]"
    >What holds
    <input
      class="input input-sm w-44"
      placeholder="kilns/1, deleted, signed in"
      bind:value={words}
      oninput={() => (page = 1)}
    /></label
  >
  <button
    class="btn btn-sm btn-paper"
    aria-pressed={from !== null}
    onclick={() => (from ? (from = null) : void sinceCopy())}
    >{from ? `Since ${when(new Date(from))}: show all` : 'Since the last copy'}</button
  >
  <button class="btn btn-sm btn-ghost" onclick={() => void check()}>Check the chain</button>
  <a class="btn btn-sm btn-ghost" href="/api/audit/file?as=csv&{asked}" download>CSV</a>
  <a class="btn btn-sm btn-ghost" href="/api/audit/file?as=json&{asked}" download>JSON</a>
</div>
{#if checked}<p role="status">{checked}</p>{/if}
{#if changes.isError}<p role="alert">{sayProblem(changes.error)}</p>{/if}
<ol class="card-paper px-4 py-2" data-testid="audit">
  {#each changes.data?.items ?? [] as change (change.n)}
    <ChangeRow {change} {names} />
  {:else}
    {#if changes.isSuccess}<li class="text-soft py-2">Nothing like that was changed.</li>{/if}
  {/each}
</ol>
{#if pages > 1}
  <p class="flex items-center gap-2">
    <button class="btn btn-sm btn-ghost" disabled={page <= 1} onclick={() => (page -= 1)}>Later</button>
    {page} of {pages}
    <button class="btn btn-sm btn-ghost" disabled={page >= pages} onclick={() => (page += 1)}>Earlier</button>
  </p>
{/if}
