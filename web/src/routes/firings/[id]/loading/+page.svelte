<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import { hasSize, isRaw, LoadingSheet } from '$lib/packing';

  const id = $derived(Number(page.params.id));
  const sheet = createQuery(() => ({
    queryKey: ['firing', id, 'loading'],
    queryFn: async () => {
      const found = await api.GET('/api/firings/{id}', { params: { path: { id } } });
      if (!found.data) throw found.error;
      const { firing } = found.data;
      const lots = (firing.lots ?? []).filter((lot) => lot !== null).filter(hasSize);
      if (firing.kilnId == null || lots.length === 0) return { firing, lots, packing: null, kiln: '' };
      const kiln = await api.GET('/api/kilns/{id}', { params: { path: { id: firing.kilnId } } });
      const { data, error } = await api.POST('/api/packing', {
        body: {
          kind: firing.kind,
          kilnId: firing.kilnId,
          load: { lots },
          handles: firing.packing?.handles,
          packs: firing.witnessPack === true,
          keep: firing.packing?.keep
        }
      });
      if (!data) throw error;
      return { firing, lots, packing: data, kiln: kiln.data?.kiln.name ?? 'The kiln' };
    }
  }));
</script>

<svelte:head><title>Loading sheet · Zealous Ember</title></svelte:head>

{#if sheet.isError}
  <p class="p-8" role="alert">
    {sayProblem(sheet.error)} <a class="link" href="/firings">To the firings</a>
  </p>
{:else if sheet.data}
  {@const { firing, lots, packing, kiln } = sheet.data}
  <div class="page">
    <div class="tools flex gap-2">
      <a class="btn btn-sm btn-paper" href="/firings/{id}">Back to the load</a>
      {#if packing}<button class="btn btn-sm btn-primary" onclick={() => window.print()}>Print</button>{/if}
    </div>
    {#if packing}
      <LoadingSheet
        {packing}
        {lots}
        name={firing.name ?? 'Loading'}
        {kiln}
        turned={firing.packing?.handles === 'turned'}
        raw={isRaw(firing.kind)}
      />
    {:else}
      <p class="text-soft max-w-lg">
        There is nothing to load by yet: the firing needs a kiln, and its lots their size.
      </p>
    {/if}
  </div>
{/if}

<style>
  @media print {
    .tools {
      display: none;
    }
  }
</style>
