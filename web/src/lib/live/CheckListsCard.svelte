<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, fieldErrors, savedOver, sayProblem, type Problem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { checkLists } from './queries';

  /** The studio's own lists: before starting, after opening; one item a line. */
  const client = useQueryClient();
  const lists = createQuery(checkLists);
  let before: string | null = $state(null);
  let after: string | null = $state(null);
  let problem: Problem | null = $state.raw(null);
  const lines = (items: readonly (string | null)[] | null | undefined) => (items ?? []).join('\n');
  const items = (text: string) =>
    text
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean);
  const changed = $derived(before !== null || after !== null);
  const said = $derived(Object.values(fieldErrors(problem ?? undefined))[0]);

  async function save() {
    const there = lists.data;
    if (!there) return;
    problem = null;
    try {
      const { data, error } = await api.PUT('/api/studio/check-lists', {
        body: { before: before === null ? null : items(before), after: after === null ? null : items(after) },
        headers: savedOver(there.version)
      });
      if (!data) return (problem = error as Problem);
      const old = there.lists;
      before = after = null;
      client.setQueryData(['check-lists'], data);
      toasts.show('Check lists saved', {
        action: {
          label: 'Undo',
          run: () =>
            void api
              .PUT('/api/studio/check-lists', { body: old, headers: savedOver(data.version) })
              .then(() => client.invalidateQueries({ queryKey: ['check-lists'] }))
        }
      });
    } catch (error) {
      problem = { detail: sayProblem(error) };
    }
  }
</script>

<section class="card-paper grid gap-3 px-4 py-3" id="check-lists" aria-labelledby="lists">
  <h2 id="lists" class="text-[17px]">Check lists</h2>
  {#if lists.data}
    <div class="grid gap-3 md:grid-cols-2">
      <label
        >Before starting, one item a line<textarea
          class="textarea mt-1 w-full"
          rows="10"
          value={before ?? lines(lists.data.lists.before)}
          oninput={(e) => (before = e.currentTarget.value)}></textarea></label
      >
      <label
        >After opening, one item a line<textarea
          class="textarea mt-1 w-full"
          rows="10"
          value={after ?? lines(lists.data.lists.after)}
          oninput={(e) => (after = e.currentTarget.value)}></textarea></label
      >
    </div>
    {#if problem}<p class="text-error" role="alert">{said ?? sayProblem(problem)}</p>{/if}
    <p>
      <button class="btn btn-primary btn-sm" disabled={!changed} onclick={() => void save()}
        >Save the lists</button
      >
    </p>
  {/if}
</section>
