<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, saveKey, sayProblem } from '$lib/api/client';
  import { money, number, plural, when } from '$lib/format';
  import { studioSettings } from '$lib/studio/queries';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { historyOf, learnedOf, maintenanceNames, type MaintenanceKind } from './queries';

  /** What was done to a kiln, what is due, and what it has cost by month. */
  const { kilnId, isFuel = false }: { kilnId: number; isFuel?: boolean } = $props();

  const client = useQueryClient();
  const history = createQuery(() => historyOf(kilnId));
  const learned = createQuery(() => ({ ...learnedOf(kilnId), enabled: !isFuel }));
  const studio = createQuery(studioSettings);
  const currency = $derived(studio.data?.studio.currency ?? '');
  let kind: MaintenanceKind = $state('shelves');
  let note = $state('');
  let day = $state('');
  // What a kiln of the other kind has is not offered.
  const names = $derived(
    (Object.entries(maintenanceNames) as [MaintenanceKind, string][]).filter(
      ([id]) => !(isFuel ? ['elements', 'vent'] : ['burners']).includes(id)
    )
  );
  const most = $derived(Math.max(1, ...(history.data?.months ?? []).map((m) => m.cost ?? m.kwh ?? 0)));
  const elements = $derived(learned.data?.elements);

  const refresh = () =>
    Promise.all(
      ['learned', 'kiln-history'].map((name) => client.invalidateQueries({ queryKey: [name, kilnId] }))
    );

  async function add() {
    const { data, error } = await api.POST('/api/kilns/{id}/maintenance', {
      params: { path: { id: kilnId } },
      headers: saveKey(crypto.randomUUID()),
      body: { kind, note: note.trim() || null, at: day ? `${day}T12:00:00Z` : null }
    });
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    [note, day] = ['', ''];
    await refresh();
    toasts.show(`${maintenanceNames[data.kind]} noted`, {
      action: { label: 'Undo', run: () => void remove(data.id) }
    });
  }

  async function remove(entry: number) {
    const params = { path: { id: kilnId, entry } };
    const { error } = await api.DELETE('/api/kilns/{id}/maintenance/{entry}', { params });
    if (error) return toasts.show(sayProblem(error), { tone: 'error' });
    await refresh();
    toasts.show('Taken out', {
      action: {
        label: 'Undo',
        run: () => void api.POST('/api/kilns/{id}/maintenance/{entry}/restore', { params }).then(refresh)
      }
    });
  }
</script>

{#if history.data}
  <section class="card-paper grid grid-cols-[minmax(0,1fr)] gap-3 p-4" aria-label="Care" data-testid="care">
    <h2 class="text-[17px]">Care</h2>
    <p>
      {plural(history.data.firings, 'firing')} in the logbook{#if !isFuel}, {number(
          history.data.fullPowerHours,
          0
        )} full-power hours{/if}{elements && learned.data?.health.since
        ? `; ${plural(elements.firingsSinceNew, 'firing')} and ${number(elements.fullPowerHoursSinceNew, 0)} hours since its elements were new`
        : ''}.
      <a class="link" href="/firings/logbook?kiln={kilnId}">Its logbook</a>
    </p>
    <ul class="text-[14px]">
      {#each history.data.reminders as r (r.kind)}
        <li class={r.isDue ? 'text-warning font-semibold' : 'text-soft'}>{r.isDue ? 'Due: ' : ''}{r.text}</li>
      {/each}
    </ul>
    <div class="flex flex-wrap items-end gap-2">
      <select class="select select-sm w-auto" aria-label="What was done" bind:value={kind}>
        {#each names as [id, name] (id)}<option value={id}>{name}</option>{/each}
      </select>
      <input
        class="input input-sm w-56"
        placeholder="A word about it"
        aria-label="A word about it"
        maxlength="500"
        bind:value={note}
      />
      <input type="date" class="input input-sm w-auto" aria-label="When; today when empty" bind:value={day} />
      <button type="button" class="btn btn-primary btn-sm" data-testid="note-care" onclick={() => void add()}
        >Note it</button
      >
    </div>
    {#if kind === 'elements'}<p class="text-soft text-[13px]">
        Isolator off, and a licensed person for the wiring. Health starts anew from the next firing.
      </p>{/if}
    {#if kind === 'burners'}<p class="text-soft text-[13px]">
        Gas off at the tank first. What is opened is a licensed gas fitter’s work; leak test before it is lit
        again.
      </p>{/if}
    {#if history.data.done.length > 0}
      <ul class="grid gap-1 text-[14px]">
        {#each history.data.done as done (done.id)}
          <li class="flex flex-wrap items-baseline gap-2">
            <b>{maintenanceNames[done.kind]}</b>
            <span class="text-soft"
              >{when(new Date(done.at))}{done.by ? `, ${done.by}` : ''}{done.note
                ? `: ${done.note}`
                : ''}</span
            >
            <button
              type="button"
              class="link text-soft text-[13px]"
              aria-label="Take out: {maintenanceNames[done.kind]}, {when(new Date(done.at))}"
              onclick={() => void remove(done.id)}>take out</button
            >
          </li>
        {/each}
      </ul>
    {/if}
    {#if history.data.months.length > 1}
      <figure>
        <figcaption class="text-soft mb-1 text-[13px]">Cost by month, as far as logs tell</figcaption>
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <div class="months" role="region" aria-label="Cost by month" tabindex="0">
          {#each history.data.months as m (m.month)}
            <div
              title="{m.month}: {plural(m.firings, 'firing')}, {m.cost === null
                ? ''
                : money(m.cost, currency)}"
            >
              <span style:height="{(54 * (m.cost ?? m.kwh ?? 0)) / most}px"></span>
              <small>{m.month.slice(2).replace('-', '/')}</small>
            </div>
          {/each}
        </div>
      </figure>
    {/if}
  </section>
{/if}

<style>
  .months {
    display: flex;
    align-items: end;
    gap: 4px;
    overflow-x: auto;
  }
  .months div {
    display: grid;
    justify-items: center;
    gap: 2px;
  }
  .months span {
    width: 26px;
    min-height: 2px;
    background: var(--color-primary);
    border-radius: 3px 3px 0 0;
  }
  small {
    font-size: 11px;
    color: var(--color-soft);
  }
</style>
