<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import TurnSheet from '$lib/fuel/TurnSheet.svelte';

  const id = $derived(Number(page.params.id));
  const kilnId = $derived(Number(page.url.searchParams.get('kiln')) || null);
  const fill = $derived(Number(page.url.searchParams.get('fill') ?? 1));
  const start = $derived(page.url.searchParams.get('start'));
  const asked = createQuery(() => ({
    queryKey: ['schedule', id, 'turns'],
    queryFn: async () => {
      const { data, error } = await api.GET('/api/schedules/{id}', { params: { path: { id } } });
      if (!data) throw error;
      return data;
    }
  }));
</script>

<svelte:head><title>Turn-up sheet · {asked.data?.name ?? ''} · Zealous Ember</title></svelte:head>

{#if asked.isError}
  <p class="p-8" role="alert">
    {sayProblem(asked.error)} <a class="link" href="/schedules">To the schedules</a>
  </p>
{:else if kilnId === null}
  <p class="p-8">
    Choose a gas kiln first: <a class="link" href="/schedules/{id}">back to the schedule</a>.
  </p>
{:else if asked.data}
  <h1 class="no-print px-4 pt-4 text-center font-serif text-xl">{asked.data.name}</h1>
  <TurnSheet
    schedule={asked.data}
    scheduleId={id}
    name={asked.data.name ?? 'Firing'}
    {kilnId}
    load={{ fill }}
    {start}
    back={{ href: `/schedules/${id}`, name: 'Back to the schedule' }}
  />
{/if}
