<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, savedOver, sayProblem, type Kiln } from '$lib/api/client';
  import { controllerList } from './queries';
  import { controllerLine } from './words';

  /** Which controller a kiln has, asked once where it is first needed. */
  const { kiln }: { kiln: Kiln } = $props();

  const client = useQueryClient();
  const controllers = createQuery(controllerList);
  let chosen = $state('');
  let trouble: string | null = $state(null);

  async function save() {
    const { data, error } = await api.PUT('/api/kilns/{id}', {
      params: { path: { id: kiln.id } },
      headers: savedOver(kiln.version),
      body: { ...kiln.kiln, controllerId: Number(chosen) }
    });
    trouble = data ? null : sayProblem(error);
    await client.invalidateQueries({ queryKey: ['kilns'] });
  }
</script>

<section class="card-paper grid max-w-xl gap-2 px-4 py-3" data-testid="choose-controller">
  <h2 class="text-[17px]">Which controller does {kiln.kiln.name} have?</h2>
  <p class="text-soft text-[14px]">
    Choose the one that asks what yours asks. A controller of your own is described under
    <a class="link" href="/stores/controllers">Stores, Controllers</a>.
  </p>
  <div class="flex flex-wrap items-center gap-2">
    <select class="select select-sm w-72" aria-label="Controller of {kiln.kiln.name}" bind:value={chosen}>
      <option value="" disabled>choose a controller</option>
      {#each controllers.data ?? [] as c (c.id)}<option value={String(c.id)}
          >{c.profile.name}: {controllerLine(c.profile)}</option
        >{/each}
    </select>
    <button class="btn btn-sm btn-primary" disabled={!chosen} onclick={() => void save()}
      >Use this controller</button
    >
  </div>
  {#if trouble}<p class="text-error text-[13.5px]" role="alert">{trouble}</p>{/if}
</section>
