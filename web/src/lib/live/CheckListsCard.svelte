<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, fieldErrors, savedOver, sayProblem, type Problem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { checkLists } from './queries';

  /** The studio's own lists: before starting, after opening, for gas kilns others; one item a line. */
  const client = useQueryClient();
  const lists = createQuery(checkLists);
  const names = {
    before: 'Before starting',
    after: 'After opening',
    gasBefore: 'Before a gas kiln is lit',
    gasAfter: 'After a gas kiln was opened'
  } as const;
  type Name = keyof typeof names;
  const all = Object.keys(names) as Name[];
  /** What was written over, not saved yet. */
  let written: Partial<Record<Name, string>> = $state({});
  let problem: Problem | null = $state.raw(null);
  const items = (text: string | undefined) =>
    text === undefined
      ? null
      : text
          .split('\n')
          .map((l) => l.trim())
          .filter(Boolean);
  const changed = $derived(Object.keys(written).length > 0);
  const said = $derived(Object.values(fieldErrors(problem ?? undefined))[0]);

  async function save() {
    const there = lists.data;
    if (!there) return;
    problem = null;
    try {
      const { data, error } = await api.PUT('/api/studio/check-lists', {
        body: {
          before: items(written.before),
          after: items(written.after),
          gasBefore: items(written.gasBefore),
          gasAfter: items(written.gasAfter)
        },
        headers: savedOver(there.version)
      });
      if (!data) return (problem = error as Problem);
      const old = there.lists;
      written = {};
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
      {#each all as name (name)}
        <label
          >{names[name]}, one item a line<textarea
            class="textarea mt-1 w-full"
            rows={/before$/i.test(name) ? 11 : 5}
            value={written[name] ?? (lists.data.lists[name] ?? []).join('\n')}
            oninput={(e) => (written = { ...written, [name]: e.currentTarget.value })}></textarea></label
        >
      {/each}
    </div>
    {#if problem}<p class="text-error" role="alert">{said ?? sayProblem(problem)}</p>{/if}
    <p>
      <button class="btn btn-primary btn-sm" disabled={!changed} onclick={() => void save()}
        >Save the lists</button
      >
    </p>
  {/if}
</section>
