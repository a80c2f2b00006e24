<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, saveKey, sayProblem, type Problem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { faultName } from './faults';
  import { gotThere, nextTop } from './morning';

  /** The morning after: what the cones of the latest firing say by shelf, and the one change it asks for, made at a press. */
  const client = useQueryClient();
  const morning = createQuery(() => ({
    queryKey: ['morning'],
    queryFn: async () => (await api.GET('/api/firings/morning')).data ?? null
  }));
  const said = $derived(morning.data);
  let busy = $state(false);
  let made: { scheduleId: number; version: number; name: string } | null = $state.raw(null);

  async function take() {
    if (!said?.change || busy) return;
    busy = true;
    try {
      const { data, error } = await api.POST('/api/firings/{id}/change', {
        params: { path: { id: said.firingId } },
        body: { patch: said.change.patch },
        headers: saveKey(`${said.firingId}-morning-${said.change.patch}`)
      });
      if (data) {
        made = data;
        for (const queryKey of [['schedules'], ['schedule', data.scheduleId]])
          void client.invalidateQueries({ queryKey });
      } else toasts.show(sayProblem(error as Problem), { tone: 'error' });
    } catch (error) {
      toasts.show(sayProblem(error), { tone: 'error' });
    } finally {
      busy = false;
    }
  }
</script>

{#if said}
  <section
    class="card-paper flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-2.5 text-[14px]"
    aria-label="The morning after"
    data-testid="morning"
  >
    <span
      ><a class="font-serif text-[16px] font-semibold" href="/firings/{said.firingId}?stage=read"
        >{said.name}</a
      >
      <span class="text-soft">in {said.kiln}</span></span
    >
    <ul class="flex flex-wrap gap-x-4">
      {#each said.shelves as shelf (shelf.shelf)}
        <li>
          <span class="text-soft">{shelf.shelf}</span>
          <b>{gotThere(shelf, said.goalCone)}</b>
        </li>
      {/each}
    </ul>
    {#if said.faults.length}<span>{said.faults.map(faultName).join(', ')}</span>{/if}
    <span class="ml-auto flex items-center gap-3">
      {#if made}
        <span
          >{made.name}, <a class="link" href="/schedules/{made.scheduleId}">version {made.version}</a></span
        >
      {:else if said.change?.movedOn}
        <a class="link" href="/schedules/{said.change.scheduleId}"
          >{said.change.schedule} is at version {said.change.movedOn}</a
        >
      {:else if said.change}
        <button
          class="btn btn-sm btn-paper"
          disabled={busy}
          title={onScale(said.change.text)}
          onclick={() => void take()}>{onScale(nextTop(said.change, display.unit))}</button
        >
      {:else}
        <span class="text-soft">Nothing to change.</span>
      {/if}
    </span>
  </section>
{/if}
