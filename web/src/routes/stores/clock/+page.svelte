<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { sayProblem, type StudioBody } from '$lib/api/client';
  import { openStudio, StudioDraft } from '$lib/clock/studio-draft.svelte';
  import SpanFields from '$lib/clock/SpanFields.svelte';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';

  type Band = NonNullable<NonNullable<StudioBody['bands']>[number]>;
  type Person = NonNullable<NonNullable<StudioBody['people']>[number]>;

  const client = useQueryClient();
  const opened = createQuery(() => ({
    queryKey: ['studio-draft'],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: openStudio
  }));
  let draft = $state.raw<StudioDraft | null>(null);
  $effect(() => {
    const found = opened.data;
    untrack(() => {
      if (found && !draft) draft = new StudioDraft(found);
    });
  });

  const zones = Intl.supportedValuesOf('timeZone');
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  const rules = [
    { value: 'never-alone', name: 'Never alone', why: 'Somebody is in for as long as the power is on.' },
    {
      value: 'alarm-between',
      name: 'Alarm in between',
      why: 'Somebody is in when it is switched on and at the top; an alarm watches the rest.'
    },
    { value: 'marked-moments', name: 'Marked moments', why: 'Somebody is in at the moments ticked here.' }
  ] as const;
  const moments = [
    { value: 'switch-on', name: 'switching on' },
    { value: 'steam-check', name: 'the steam check' },
    { value: 'first-colour', name: 'first colour' },
    { value: 'reduction', name: 'reduction' },
    { value: 'top', name: 'the top' },
    { value: 'power-off', name: 'power off' },
    { value: 'open', name: 'opening' }
  ];

  const bands = $derived((draft?.body.bands ?? []).filter((b) => b !== null));
  const people = $derived((draft?.body.people ?? []).filter((p) => p !== null));
  const marked = $derived((draft?.body.marked ?? []).filter((m) => m !== null));

  const editBand = (i: number, change: Partial<Band>) =>
    draft?.edit(
      { bands: bands.map((b, j) => (j === i ? { ...b, ...change } : b)) },
      `band.${i}.${Object.keys(change).join()}`
    );
  const editPerson = (i: number, change: Partial<Person>) =>
    draft?.edit(
      { people: people.map((p, j) => (j === i ? { ...p, ...change } : p)) },
      `person.${i}.${Object.keys(change).join()}`
    );

  function price(text: string): number | null {
    const value = Number(text.replace(',', '.'));
    return text.trim() === '' || Number.isNaN(value) ? null : value;
  }

  saveOnLeaving(
    () => draft,
    () => void client.invalidateQueries({ queryKey: ['studio'] })
  );
</script>

<svelte:head><title>Hours and prices · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Stores</h1>
      <StoresTabs />
    </div>
    {#if draft}
      {@const hours = draft}
      <div class="flex items-center gap-1">
        <SaveLine draft={hours} testid="hours-saved" />
        <UndoButtons draft={hours} />
      </div>
    {/if}
  </header>
  {#if opened.isError}
    <p role="alert">
      {sayProblem(opened.error)} <button class="link" onclick={() => opened.refetch()}>Try again</button>
    </p>
  {:else if draft}
    {@const hours = draft}
    <ConflictBanner draft={hours} what="studio" />
    {#each Object.entries(hours.errors) as [field, text] (field)}<p
        class="text-error text-[13.5px]"
        role="alert"
      >
        {text}
      </p>{/each}

    <section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="power-price">
      <h2 id="power-price" class="text-[17px]">What power costs</h2>
      <div class="flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
        <label class="grid gap-1"
          >Money <input
            class="input input-sm w-20"
            maxlength="8"
            placeholder="£"
            value={hours.body.currency ?? ''}
            onchange={(e) => hours.edit({ currency: e.currentTarget.value })}
          /></label
        >
        <label class="grid gap-1"
          >A kWh, usually <input
            class="input input-sm w-24 text-right"
            inputmode="decimal"
            value={hours.body.price ?? 0}
            onchange={(e) => hours.edit({ price: price(e.currentTarget.value) })}
          /></label
        >
        <label class="grid gap-1"
          >Clock on the wall
          <select
            class="select select-sm w-56"
            value={hours.body.timeZone}
            onchange={(e) => hours.edit({ timeZone: e.currentTarget.value })}
          >
            {#if !zones.includes(hours.body.timeZone ?? '')}<option value={hours.body.timeZone}
                >{hours.body.timeZone}</option
              >{/if}
            {#each zones as zone (zone)}<option value={zone}>{zone}</option>{/each}
          </select>
        </label>
      </div>
      {#if bands.length}
        <ul class="grid gap-2">
          {#each bands as band, i (i)}
            <li class="flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]">
              <input
                class="input input-xs w-36"
                aria-label="Name of band {i + 1}"
                value={band.name ?? ''}
                onchange={(e) => editBand(i, { name: e.currentTarget.value })}
              />
              <input
                class="input input-xs w-20 text-right"
                inputmode="decimal"
                aria-label="Price of band {i + 1}"
                value={band.price ?? ''}
                onchange={(e) => editBand(i, { price: price(e.currentTarget.value) })}
              />
              <SpanFields
                label={band.name ?? `band ${i + 1}`}
                span={band.hours ?? { days: [], from: '00:00', to: '07:00' }}
                onchange={(span) => editBand(i, { hours: span })}
              />
              <span class="flex items-center gap-1">
                <select
                  class="select select-xs w-24"
                  aria-label="First month of band {i + 1}"
                  value={String(band.firstMonth ?? '')}
                  onchange={(e) =>
                    editBand(
                      i,
                      e.currentTarget.value
                        ? { firstMonth: Number(e.currentTarget.value), lastMonth: band.lastMonth ?? 12 }
                        : { firstMonth: null, lastMonth: null }
                    )}
                >
                  <option value="">all year</option>
                  {#each months as month, m (month)}<option value={String(m + 1)}>from {month}</option>{/each}
                </select>
                {#if band.firstMonth}
                  <select
                    class="select select-xs w-24"
                    aria-label="Last month of band {i + 1}"
                    value={String(band.lastMonth ?? 12)}
                    onchange={(e) => editBand(i, { lastMonth: Number(e.currentTarget.value) })}
                  >
                    {#each months as month, m (month)}<option value={String(m + 1)}>to {month}</option>{/each}
                  </select>
                {/if}
              </span>
              <button
                class="btn btn-ghost btn-xs btn-square"
                aria-label="Take away {band.name}"
                onclick={() => hours.edit({ bands: bands.filter((_, j) => j !== i) })}><X size={14} /></button
              >
            </li>
          {/each}
        </ul>
      {:else}
        <p class="text-soft text-[13.5px]">
          The same price at every hour. If nights are cheaper, add those hours.
        </p>
      {/if}
      <p>
        <button
          class="btn btn-xs btn-paper"
          onclick={() =>
            hours.edit({
              bands: [
                ...bands,
                {
                  name: bands.length ? 'peak' : 'night',
                  price: hours.body.price ?? 0,
                  hours: { days: [], from: '00:30', to: '07:30' }
                }
              ]
            })}>Add hours at another price</button
        >
      </p>
    </section>

    <section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="who-is-in">
      <h2 id="who-is-in" class="text-[17px]">Who is in</h2>
      {#if people.length === 0}
        <p class="text-soft text-[13.5px]">
          Nobody's hours are known yet. Starts are then not held to anybody's being there unless the rule asks
          for it.
        </p>
      {/if}
      <ul class="grid gap-3">
        {#each people as person, i (i)}
          {@const spans = (person.hours ?? []).filter((s) => s !== null)}
          <li class="grid gap-1 text-[14px] sm:grid-cols-[9rem_1fr]">
            <span class="flex items-start gap-1">
              <input
                class="input input-xs w-24"
                aria-label="Name of person {i + 1}"
                value={person.name ?? ''}
                onchange={(e) => editPerson(i, { name: e.currentTarget.value })}
              />
              <button
                class="btn btn-ghost btn-xs btn-square"
                aria-label="Take away {person.name}"
                onclick={() => hours.edit({ people: people.filter((_, j) => j !== i) })}
                ><X size={14} /></button
              >
            </span>
            <span class="grid gap-1">
              {#each spans as span, j (j)}
                <span class="flex flex-wrap items-center gap-1">
                  <SpanFields
                    label="{person.name ?? ''} {j + 1}"
                    {span}
                    onchange={(changed) =>
                      editPerson(i, { hours: spans.map((s, k) => (k === j ? changed : s)) })}
                  />
                  <button
                    class="btn btn-ghost btn-xs btn-square"
                    aria-label="Take away these hours of {person.name}"
                    onclick={() => editPerson(i, { hours: spans.filter((_, k) => k !== j) })}
                    ><X size={14} /></button
                  >
                </span>
              {/each}
              <button
                class="btn btn-ghost btn-xs justify-self-start"
                onclick={() =>
                  editPerson(i, {
                    hours: [
                      ...spans,
                      { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '09:00', to: '17:00' }
                    ]
                  })}>more hours</button
              >
            </span>
          </li>
        {/each}
      </ul>
      <p>
        <button
          class="btn btn-xs btn-paper"
          onclick={() =>
            hours.edit({
              people: [
                ...people,
                {
                  name: 'Somebody',
                  hours: [{ days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '09:00', to: '17:00' }]
                }
              ]
            })}>Add somebody</button
        >
      </p>
    </section>

    <section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="the-rule">
      <h2 id="the-rule" class="text-[17px]">The studio's rule</h2>
      <p class="text-soft text-[13.5px]">
        Starts are held to it. Your insurer, local codes and the kiln maker's manual may ask for more; a
        shut-off device is a backup, not a supervisor.
      </p>
      {#each rules as rule (rule.value)}
        <label class="flex items-baseline gap-2 text-[14px]">
          <input
            type="radio"
            class="radio radio-primary radio-xs"
            name="rule"
            value={rule.value}
            checked={hours.body.rule === rule.value}
            onchange={() => hours.edit({ rule: rule.value })}
          />
          <span><b>{rule.name}.</b> <span class="text-soft">{rule.why}</span></span>
        </label>
      {/each}
      {#if hours.body.rule === 'marked-moments'}
        <div class="flex flex-wrap gap-x-5 gap-y-1 pl-6 text-[14px]" role="group" aria-label="Marked moments">
          {#each moments as moment (moment.value)}
            <label class="flex items-center gap-1.5">
              <input
                type="checkbox"
                class="checkbox checkbox-primary checkbox-xs"
                checked={marked.includes(moment.value)}
                onchange={(e) =>
                  hours.edit({
                    marked: e.currentTarget.checked
                      ? [...marked, moment.value]
                      : marked.filter((m) => m !== moment.value)
                  })}
              />
              {moment.name}
            </label>
          {/each}
        </div>
      {/if}
    </section>
  {/if}
</div>
