<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import { SetStage } from '$lib/controllers';
  import { kilnList } from '$lib/kilns/queries';

  const id = $derived(Number(page.params.id));
  const kilnId = $derived(Number(page.url.searchParams.get('kiln')) || null);
  const kilns = createQuery(kilnList);
  const kiln = $derived(kilns.data?.find((k) => k.id === kilnId) ?? null);
  const schedule = createQuery(() => ({
    queryKey: ['schedule', id, 'to-set'],
    queryFn: async () => {
      const { data, error } = await api.GET('/api/schedules/{id}', { params: { path: { id } } });
      if (!data) throw error;
      return data;
    }
  }));
</script>

<svelte:head><title>Set {schedule.data?.name ?? ''} · Zealous Ember</title></svelte:head>

{#if schedule.isError}
  <p class="p-8" role="alert">
    {sayProblem(schedule.error)} <a class="link" href="/schedules">To the schedules</a>
  </p>
{:else if schedule.data && kilns.data}
  <div class="page max-w-none">
    <header class="no-print">
      <a class="link link-hover text-soft text-[13px]" href="/schedules/{id}">{schedule.data.name}</a>
      <h1 class="flex flex-wrap items-center gap-2 text-2xl">
        Set it at
        <select
          class="select select-sm w-auto pr-7! text-lg"
          aria-label="Kiln"
          value={String(kilnId ?? '')}
          onchange={(e) =>
            void goto(`?kiln=${e.currentTarget.value}`, { replaceState: true, keepFocus: true })}
        >
          <option value="" disabled>which kiln?</option>
          {#each kilns.data as k (k.id)}<option value={String(k.id)}>{k.kiln.name}</option>{/each}
        </select>
      </h1>
    </header>
    {#if kiln}
      {#key kiln.id}
        <SetStage
          schedule={schedule.data}
          name={schedule.data.name ?? 'Schedule'}
          {kiln}
          scheduleId={id}
          scheduleVersion={schedule.data.version}
        />
      {/key}
    {:else}
      <p class="text-soft">What is keyed in depends on the kiln’s controller: choose the kiln.</p>
    {/if}
  </div>
{/if}
