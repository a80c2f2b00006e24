<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { me } from '$lib/api/me.svelte';
  import { kilnList } from '$lib/kilns/queries';
  import { DevicesCard, NetworkCard, OldNames, PeopleCard, ShareStudio, YouCard } from '$lib/people';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';

  const kilns = createQuery(kilnList);
  const named = $derived((kilns.data ?? []).map((k) => ({ id: k.id, name: k.kiln.name ?? '' })));
</script>

<svelte:head><title>People · Zealous Ember</title></svelte:head>

<div class="page">
  <header>
    <h1 class="text-2xl">Stores</h1>
    <StoresTabs />
  </header>
  {#if !me.isShared}
    <ShareStudio />
  {:else}
    <div class="grid gap-3 lg:grid-cols-2">
      <YouCard />
      <PeopleCard kilns={named} />
      {#if me.may('manage')}
        <DevicesCard />
        <NetworkCard />
        <OldNames />
        <section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="audit">
          <h2 id="audit" class="text-[17px]">Who changed what</h2>
          <p class="text-soft text-[14px]">
            Every change is written down with who and when, in a chain that shows if anybody changes it.
          </p>
          <p><a class="btn btn-sm btn-paper" href="/stores/audit">Look at the changes</a></p>
        </section>
      {/if}
    </div>
  {/if}
</div>
