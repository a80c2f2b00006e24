<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api } from '$lib/api/client';
  import { SetStage } from '$lib/controllers';
  import { kilnList } from '$lib/kilns/queries';
  import type { FiringDraft } from './firing-draft.svelte';

  /** What of this firing is said to the kiln: the schedule it was opened in the editor as, else its plan. */
  const { draft }: { draft: FiringDraft } = $props();

  const kilns = createQuery(kilnList);
  const kiln = $derived(kilns.data?.find((k) => k.id === draft.body.kilnId));
  const scheduleId = $derived(draft.body.scheduleId ?? null);
  const edited = createQuery(() => ({
    queryKey: ['schedule', scheduleId, 'to-set'],
    enabled: scheduleId !== null,
    queryFn: async () => {
      const { data } = await api.GET('/api/schedules/{id}', { params: { path: { id: scheduleId ?? 0 } } });
      return data ?? null;
    }
  }));
  /** The same ware and shelves as at the start. */
  const load = $derived(draft.id === null ? draft.request.load : { firingId: draft.id });
  /** Somebody may want the plan all the same. */
  let planAnyway = $state(false);
  const schedule = $derived(planAnyway ? null : (edited.data ?? null));
  const planned = $derived(
    draft.plan ? { ...draft.plan.schedule, name: draft.body.name ?? 'Planned' } : null
  );
  const what = $derived(scheduleId !== null && edited.isPending ? null : (schedule ?? planned));
</script>

{#if !kiln}
  <section class="card-paper max-w-lg p-5" data-testid="no-kiln">
    <h2 class="mb-1 text-[17px]">Choose a kiln first</h2>
    <p class="text-soft">
      What is keyed in depends on the kiln’s controller. The kiln is chosen at the top of this page.
    </p>
  </section>
{:else if what}
  {#if edited.data}
    <p class="text-soft no-print text-[13.5px]">
      {#if schedule}From the schedule <a class="link" href="/schedules/{schedule.id}">{schedule.name}</a>,
        version {schedule.version}.
        <button class="link" onclick={() => (planAnyway = true)}>Use this firing’s plan instead</button>
      {:else}From this firing’s plan.
        <button class="link" onclick={() => (planAnyway = false)}
          >Use the schedule {edited.data.name} instead</button
        >{/if}
    </p>
  {/if}
  {#if kiln.kiln.heat === 'fuel'}
    {#await import('$lib/fuel/TurnSheet.svelte') then { default: TurnSheet }}
      <TurnSheet
        schedule={what}
        scheduleId={schedule?.id ?? null}
        name={draft.body.name ?? 'Firing'}
        kilnId={kiln.id}
        load={load ?? null}
        start={draft.body.startsAt ?? null}
        back={null}
      />
    {/await}
  {:else}
    <SetStage
      schedule={what}
      name={draft.body.name ?? 'Firing'}
      {kiln}
      firingId={draft.id}
      scheduleId={schedule?.id ?? null}
      scheduleVersion={schedule?.version ?? null}
      {load}
      startsAt={draft.body.startsAt ?? null}
    />
  {/if}
{:else}
  <section class="card-paper max-w-lg p-5">
    <h2 class="mb-1 text-[17px]">Nothing to set yet</h2>
    <p class="text-soft">
      The plan comes from the load. {#each new Set(Object.values(draft.planErrors)) as text (text)}<span
          class="text-error"
          >{text}
        </span>{/each}
    </p>
  </section>
{/if}
