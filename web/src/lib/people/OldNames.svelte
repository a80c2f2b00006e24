<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import { plural } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { oldNames, peopleList } from './queries';

  /** Names typed before there were accounts: whose are they? Said once. */
  const client = useQueryClient();
  const names = createQuery(oldNames);
  const people = createQuery(peopleList);

  async function match(name: string, id: number) {
    const { response, error } = await api.POST('/api/people/{id}/old-names', {
      params: { path: { id } },
      body: { name }
    });
    if (!response.ok) return toasts.show(sayProblem(error), { tone: 'error' });
    void client.invalidateQueries();
  }
</script>

{#if names.data?.length}
  <section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="old-names">
    <h2 id="old-names" class="text-[17px]">Names from before</h2>
    <p class="text-soft text-[14px]">
      These were typed before there were accounts. Say whose they are, and notes, lots and versions stand as
      theirs. Those of a class or of nobody may stay as they are.
    </p>
    <ul class="grid">
      {#each names.data as old (old.name)}
        <li class="border-base-300 flex flex-wrap items-center gap-x-3 border-t py-1.5 first:border-0">
          <b>{old.name}</b>
          <span class="text-soft text-[14px]">{plural(old.times, 'place')}</span>
          <select
            class="select select-xs ml-auto w-auto"
            aria-label="Whose is {old.name}?"
            value=""
            onchange={(e) => void match(old.name, Number(e.currentTarget.value))}
          >
            <option value="">whose?</option>
            {#each people.data ?? [] as person (person.id)}<option value={person.id}>{person.name}</option
              >{/each}
          </select>
        </li>
      {/each}
    </ul>
  </section>
{/if}
