<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api } from '$lib/api/client';
  import { person } from '$lib/api/person';
  import { PracticeTask } from '$lib/controllers';
  import { controllerLine } from '$lib/controllers/words';
  import { controllerList } from '$lib/controllers/queries';
  import { kilnList } from '$lib/kilns/queries';
  import BenchTabs from '$lib/ui/BenchTabs.svelte';

  const client = useQueryClient();
  const controllers = createQuery(controllerList);
  const kilns = createQuery(kilnList);
  const keyed = $derived((controllers.data ?? []).filter((c) => c.profile.give !== 'dials'));
  /** The one that was asked for, else that of the first kiln. */
  const controller = $derived(
    keyed.find((c) => c.id === Number(page.url.searchParams.get('controller'))) ??
      keyed.find((c) => c.id === kilns.data?.find((k) => k.kiln.controllerId != null)?.kiln.controllerId) ??
      keyed[0]
  );
  const id = $derived(controller?.id);
  const tasks = createQuery(() => ({
    queryKey: ['practice', id],
    enabled: id !== undefined,
    queryFn: async () => {
      const { data, error } = await api.GET('/api/practice/{id}', { params: { path: { id: id ?? 0 } } });
      if (!data) throw error;
      return data;
    }
  }));
  let name = $state(person.name);
  const tries = createQuery(() => ({
    queryKey: ['practised', name],
    enabled: name !== '',
    queryFn: async () => (await api.GET('/api/practice', { params: { query: { name } } })).data ?? []
  }));
  const wanted = $derived(page.url.searchParams.get('task'));
  const task = $derived(tasks.data?.find((t) => t.id === wanted) ?? tasks.data?.[0]);
  const done = (taskId: string) =>
    tries.data?.filter((t) => t.controller === controller?.profile.name && t.task === taskId && t.done) ?? [];

  const kinds = {
    read: 'Read',
    enter: 'Enter',
    leftovers: 'Enter over leftovers',
    find: 'Find the slip'
  } as const;
  const go = (query: string) => void goto(`?${query}`, { keepFocus: true, noScroll: true });
  const next = () => {
    const at = tasks.data?.findIndex((t) => t.id === task?.id) ?? 0;
    const after = tasks.data?.[at + 1];
    if (after) go(`controller=${id}&task=${after.id}`);
  };
</script>

<svelte:head><title>Practice · Zealous Ember</title></svelte:head>

<div class="page max-w-none">
  <header>
    <h1 class="text-2xl">Bench</h1>
    <BenchTabs />
  </header>
  <div class="flex flex-wrap items-center gap-3 text-[15px]">
    <label class="flex min-w-0 max-w-full items-center gap-2"
      >Controller
      <select
        class="select select-sm w-80 min-w-0 max-w-full"
        value={String(id ?? '')}
        data-testid="practice-controller"
        onchange={(e) => go(`controller=${e.currentTarget.value}`)}
      >
        {#each keyed as c (c.id)}<option value={String(c.id)}
            >{c.profile.name}: {controllerLine(c.profile)}</option
          >{/each}
      </select></label
    >
    <label class="flex items-center gap-2"
      >Your name
      <input
        class="input input-sm w-40"
        maxlength="60"
        placeholder="to see your progress"
        value={name}
        onchange={(e) => {
          person.name = e.currentTarget.value;
          name = person.name;
        }}
      /></label
    >
    <span class="text-soft text-[13.5px]">Nothing here reaches a kiln.</span>
  </div>
  {#if tasks.data && task && controller}
    <nav class="tasks flex gap-1.5 md:flex-wrap" aria-label="Tasks">
      {#each tasks.data as t (t.id)}
        {@const times = done(t.id).length}
        <a
          class={['btn btn-sm', t.id === task.id ? 'btn-primary' : 'btn-paper']}
          aria-current={t.id === task.id ? 'page' : undefined}
          href="?controller={id}&task={t.id}"
          >{#if times}<span aria-label="done">✓</span>{/if}
          {kinds[t.kind]}: {t.schedule.name}</a
        >
      {/each}
    </nav>
    {#key `${id} ${task.id}`}
      <PracticeTask
        {task}
        profile={controller.profile}
        controllerId={controller.id}
        ontried={() => void client.invalidateQueries({ queryKey: ['practised'] })}
        onnext={next}
      />
    {/key}
  {/if}
</div>

<style>
  /* In the hand one row that is pushed aside, rather than half a screen of buttons. */
  @media (max-width: 767px) {
    .tasks {
      overflow-x: auto;
      padding-bottom: 4px;
    }
    .tasks :global(.btn) {
      flex: none;
    }
  }
</style>
