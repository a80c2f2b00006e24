<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { api, saveKey, sayProblem, type Profile } from '$lib/api/client';
  import { controllerLine } from '$lib/controllers/words';
  import { controllerList } from '$lib/controllers/queries';
  import { kilnList } from '$lib/kilns/queries';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';

  const client = useQueryClient();
  const controllers = createQuery(controllerList);
  const kilns = createQuery(kilnList);
  const kilnsOf = (id: number) =>
    (kilns.data ?? []).filter((k) => k.kiln.controllerId === id).map((k) => k.kiln.name);
  let trouble: string | null = $state(null);

  async function add(profile: Profile) {
    const { data, error } = await api.POST('/api/controllers', {
      headers: saveKey(crypto.randomUUID()),
      body: profile
    });
    const fields = Object.entries((error as { errors?: Record<string, string[]> } | undefined)?.errors ?? {});
    trouble = data
      ? null
      : fields.map(([field, texts]) => `${field}: ${texts[0]}`).join(' ') || sayProblem(error);
    if (!data) return;
    await client.invalidateQueries({ queryKey: ['controllers'] });
    toasts.show(`“${data.profile.name}” added`);
    void goto(`/stores/controllers/${data.id}`);
  }

  async function importFrom(file: File | undefined) {
    if (!file) return;
    try {
      const read = JSON.parse(await file.text()) as Profile & { profile?: Profile };
      await add(read.profile ?? read);
    } catch {
      trouble = 'This file is no JSON. Nothing was imported.';
    }
  }
</script>

<svelte:head><title>Controllers · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Stores</h1>
      <StoresTabs />
    </div>
    <label class="btn btn-paper btn-sm"
      >Import from a file<input
        type="file"
        accept=".json,application/json"
        class="sr-only"
        onchange={(e) => void importFrom(e.currentTarget.files?.[0])}
      /></label
    >
  </header>
  <p class="text-soft max-w-2xl text-[14px]">
    How schedules are entered at a kiln. Choose the one that asks what yours asks; if none does, copy the
    nearest and change its questions until it does.
  </p>
  {#if trouble}<p class="text-error" role="alert">{trouble}</p>{/if}
  {#if controllers.isError}<p role="alert">{sayProblem(controllers.error)}</p>{/if}
  <ul class="cards">
    {#each controllers.data ?? [] as c (c.id)}
      {@const at = kilnsOf(c.id)}
      <li class="card-paper flex flex-col px-4 py-3">
        <a class="hover:text-primary font-serif text-lg font-semibold" href="/stores/controllers/{c.id}"
          >{c.profile.name}</a
        >
        <p class="text-soft flex-1 text-[14px]">
          {controllerLine(c.profile).replace(/^./, (x) => x.toUpperCase())},
          <span data-units="own">°{c.profile.unit}</span>.{#if at.length}<b class="text-base-content ml-1"
              >At {at.join(', ')}.</b
            >{/if}
        </p>
        <p class="flex gap-2 pt-2">
          <a class="btn btn-xs btn-paper" href="/stores/controllers/{c.id}">{c.builtIn ? 'Look' : 'Change'}</a
          >
          <button
            class="btn btn-xs btn-ghost"
            onclick={() => void add({ ...c.profile, name: `${c.profile.name}, ours` })}>Copy</button
          >
          {#if c.profile.give !== 'dials'}<a
              class="btn btn-xs btn-ghost"
              href="/bench/practice?controller={c.id}">Practise</a
            >{/if}
        </p>
      </li>
    {/each}
  </ul>
</div>

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
    gap: 12px;
  }
</style>
