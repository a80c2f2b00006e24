<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, savedOver, sayProblem } from '$lib/api/client';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import WordField from '$lib/fields/WordField.svelte';
  import FiringSet from '$lib/firings/FiringSet.svelte';
  import { FiringDraft, openFiring } from '$lib/firings/firing-draft.svelte';
  import LoadStage from '$lib/firings/LoadStage.svelte';
  import PlanStage from '$lib/firings/PlanStage.svelte';
  import SummaryStrip from '$lib/firings/SummaryStrip.svelte';
  import { kindNames, plural, type Kind } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { FireStage } from '$lib/live';
  import { startedRun } from '$lib/live/queries';
  import { toasts } from '$lib/ui/toasts.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  const stages = [
    { id: 'load', name: 'Load' },
    { id: 'plan', name: 'Plan' },
    { id: 'set', name: 'Set' },
    { id: 'fire', name: 'Fire' },
    { id: 'read', name: 'Read' }
  ] as const;

  const client = useQueryClient();
  const id = $derived(Number(page.params.id));
  const kilns = createQuery(kilnList);
  const opened = createQuery(() => ({
    queryKey: ['firing', id],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () => openFiring(id)
  }));
  let draft = $state.raw<FiringDraft | null>(null);

  $effect(() => {
    const found = opened.data;
    untrack(() => {
      if (!found || draft?.id === found.stored?.id) return;
      draft?.close();
      draft = new FiringDraft(found);
    });
  });

  const started = createQuery(() => startedRun(id));
  const run = $derived(started.data ?? undefined);
  /** In its kiln: what it is fired with stays as it is. */
  const underWay = $derived(run !== undefined && !run.openedAt);
  const asked = $derived(stages.find((s) => s.id === page.url.searchParams.get('stage'))?.id);
  /** Without a word a hot kiln comes first; till that is known nothing is shown that would jump away. */
  const stage = $derived(asked ?? (started.isLoading ? null : underWay ? 'fire' : 'load'));

  const kilnOf = (kilnId: number | null | undefined) => {
    const kiln = kilns.data?.find((k) => k.id === kilnId);
    return kiln ? { id: kiln.id, name: kiln.kiln.name ?? 'Kiln' } : null;
  };

  /** What is fired is a schedule with its version: the plan becomes one, where it was not opened as one before. */
  async function readyToFire(firing: FiringDraft) {
    await firing.save();
    if (firing.body.scheduleId || !firing.plan) return;
    const { data, error } = await api.POST('/api/schedules', {
      body: { ...firing.plan.schedule, name: firing.body.name || 'Planned' }
    });
    if (!data) throw error;
    firing.edit({ scheduleId: data.id, scheduleVersion: data.version });
    await firing.save();
  }

  const refresh = () => client.invalidateQueries({ queryKey: ['firings'] });
  saveOnLeaving(
    () => draft,
    () => void refresh()
  );

  type Load = readonly { row: number; count: number }[];

  /** Some of the ware of this firing. */
  const lotsOf = (load: Load) =>
    load.flatMap(({ row, count }) => {
      const lot = draft?.lots[row];
      return lot ? [{ ...lot, count }] : [];
    });

  /** Bisque comes back for its glaze: firings of their own, for when it does. */
  async function glazes(loads: readonly Load[]) {
    if (!draft) return;
    const { name, kilnId, unit } = draft.body;
    let made = 0;
    for (const [i, load] of loads.entries()) {
      const { data, error } = await api.POST('/api/firings', {
        body: {
          name: `Glaze of ${name}${loads.length > 1 ? `, ${i + 1} of ${loads.length}` : ''}`,
          kind: 'glaze',
          kilnId,
          unit,
          witnessPack: true,
          lots: lotsOf(load).map((lot) => ({ ...lot, dryness: 'bone-dry' as const, next: null }))
        }
      });
      if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
      made++;
    }
    await refresh();
    toasts.show(`${plural(made, 'glaze firing')} made`, {
      action: { label: 'See the firings', run: () => void goto('/firings') }
    });
  }

  /** What does not fit goes into a firing of its own, and out of this one; the toast leads there. */
  async function second(left: Load) {
    if (!draft) return;
    const lots = lotsOf(left);
    const { kind, kilnId, unit, goalCone, witnessPack } = draft.body;
    const { data, error } = await api.POST('/api/firings', {
      body: { name: `${draft.body.name}, second firing`, kind, kilnId, unit, goalCone, witnessPack, lots }
    });
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    draft.edit({
      lots: draft.lots
        .map((lot, row) => ({
          ...lot,
          count: (lot.count ?? 0) - (left.find((l) => l.row === row)?.count ?? 0)
        }))
        .filter((lot) => lot.count > 0)
    });
    await refresh();
    toasts.show(`“${data.firing.name}” made`, {
      action: { label: 'Open it', run: () => void goto(`/firings/${data.id}`) }
    });
  }

  async function remove() {
    if (draft?.id == null) return;
    await draft.save();
    const [gone, name] = [draft.id, draft.body.name];
    const { response, error } = await api.DELETE('/api/firings/{id}', {
      params: { path: { id: gone } },
      headers: savedOver(draft.version)
    });
    if (!response.ok) return toasts.show(sayProblem(error), { tone: 'error' });
    await refresh();
    toasts.show(`“${name}” deleted`, {
      action: {
        label: 'Undo',
        run: () =>
          void api.POST('/api/firings/{id}/restore', { params: { path: { id: gone } } }).then(refresh)
      }
    });
    void goto('/firings');
  }
</script>

<svelte:head><title>{draft?.body.name ?? 'Firing'} · Zealous Ember</title></svelte:head>

{#if opened.isError}
  <div class="m-auto max-w-md p-8 text-center">
    <h1 class="mb-2 text-2xl">No such firing</h1>
    <p class="text-soft mb-4">{sayProblem(opened.error)}</p>
    <a class="btn btn-primary" href="/firings">To the firings</a>
  </div>
{:else if draft}
  {@const firing = draft}
  <div class="page max-w-none">
    <header class="no-print flex flex-wrap items-end gap-x-4 gap-y-1">
      <div class="min-w-0 flex-1 basis-72">
        <input
          class="name w-full font-serif text-2xl font-semibold"
          aria-label="Name of the firing"
          autocomplete="off"
          value={firing.body.name ?? ''}
          oninput={(e) => firing.edit({ name: e.currentTarget.value }, 'name')}
        />
        <div class="text-soft flex flex-wrap items-center gap-x-1 text-[13.5px]">
          <select
            class="select select-ghost select-xs -ml-2 w-auto pr-6! pl-2! text-[13.5px]"
            aria-label="Kind of firing"
            disabled={run !== undefined}
            value={firing.body.kind}
            onchange={(e) => firing.edit({ kind: e.currentTarget.value as Kind })}
          >
            {#each Object.entries(kindNames) as [kind, name] (kind)}<option value={kind}>{name}</option
              >{/each}
          </select>
          in
          <select
            class="select select-ghost select-xs w-auto pr-6! pl-2! text-[13.5px]"
            aria-label="Kiln"
            disabled={run !== undefined}
            value={String(firing.body.kilnId ?? '')}
            onchange={(e) =>
              firing.edit({ kilnId: e.currentTarget.value ? Number(e.currentTarget.value) : null })}
          >
            <option value="">a plain kiln</option>
            {#each kilns.data ?? [] as kiln (kiln.id)}<option value={String(kiln.id)}>{kiln.kiln.name}</option
              >{/each}
          </select>
          {#if firing.body.kind !== 'drying'}
            · goal cone
            <WordField
              id="firing-goal"
              label="Goal cone, like 04 or 6"
              text={firing.body.goalCone ?? ''}
              placeholder={firing.plan?.schedule.goalCone ?? 'by the load'}
              error={firing.planErrors['goalCone'] ?? firing.errors['goalCone']}
              read={(t) => ({ value: t.trim() || null })}
              onvalue={(goalCone) => firing.edit({ goalCone }, 'goal')}
            />
          {/if}
          {#if stage !== 'plan' && firing.planErrors['maxSteps']}<span class="text-error" role="alert"
              >{firing.planErrors['maxSteps']}</span
            >{/if}
          {#if firing.trouble}<span class="text-error" role="alert">{firing.trouble}</span>{/if}
        </div>
      </div>
      <div class="flex flex-wrap items-center gap-1">
        {#if stage !== 'read'}<SaveLine draft={firing} testid="firing-saved" />
          <UndoButtons draft={firing} />{/if}
        {#if !underWay}<button class="btn btn-ghost btn-sm text-error" onclick={() => void remove()}
            >Delete</button
          >{/if}
        <nav class="join ml-2" aria-label="Stages">
          {#each stages as { id: place, name } (place)}
            <a
              class={['btn join-item btn-sm', stage === place ? 'btn-primary' : 'btn-paper']}
              aria-current={stage === place ? 'page' : undefined}
              href="/firings/{firing.id}?stage={place}">{name}</a
            >
          {/each}
        </nav>
      </div>
    </header>
    <MayNot
      right="reserve"
      why="Load and plan are changed by firers and owners; notes can be added under Fire."
    />
    <ConflictBanner draft={firing} what="firing" />
    {#if firing.id !== null}<SummaryStrip
        firingId={firing.id}
        next={stage !== 'plan' ? 'see-plan' : firing.plan ? 'open-plan' : null}
        mark={`${stage} ${firing.version} ${run?.state ?? 'no'}`}
      />{/if}
    {#if stage === null}<!-- till it is known -->{:else if stage === 'load'}<LoadStage
        draft={firing}
        onsecond={(left) => void second(left)}
        onglazes={(loads) => void glazes(loads)}
      />{:else if stage === 'plan'}<PlanStage draft={firing} />{:else if stage === 'set'}<FiringSet
        draft={firing}
      />{:else if stage === 'read' && firing.id !== null}
      {#await import('$lib/reading/ReadStage.svelte') then { default: ReadStage }}
        <ReadStage firingId={firing.id} packing={firing.packer.packing} lots={firing.packer.lots} />
      {/await}{#await import('$lib/learning/ForetoldCard.svelte') then { default: ForetoldCard }}
        <ForetoldCard firingId={firing.id} kilnId={firing.body.kilnId ?? null} />
      {/await}{:else if firing.id !== null}<FireStage
        firingId={firing.id}
        name={firing.body.name ?? 'Firing'}
        kiln={kilnOf(firing.body.kilnId)}
        startsAt={firing.body.startsAt ?? null}
        ready={() => readyToFire(firing)}
      />{/if}
  </div>
{/if}

<style>
  .name {
    background: none;
    border: 0;
    border-radius: 6px;
    padding: 0 4px;
    margin-left: -4px;
    text-overflow: ellipsis;
  }
</style>
