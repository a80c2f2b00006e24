<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { StudioBody } from '$lib/api/client';
  import SpanFields from './SpanFields.svelte';
  import type { StudioDraft } from './studio-draft.svelte';

  /** Who is in when. */
  const { draft }: { draft: StudioDraft } = $props();

  type Person = NonNullable<NonNullable<StudioBody['people']>[number]>;

  const people = $derived((draft.body.people ?? []).filter((p) => p !== null));
  const editPerson = (i: number, change: Partial<Person>) =>
    draft.edit(
      { people: people.map((p, j) => (j === i ? { ...p, ...change } : p)) },
      `person.${i}.${Object.keys(change).join()}`
    );
</script>

<section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="who-is-in">
  <h2 id="who-is-in" class="text-[17px]">Who is in</h2>
  {#if people.length === 0}
    <p class="text-soft text-[13.5px]">
      Nobody's hours are known yet. Starts are then not held to anybody's being there unless the rule asks for
      it.
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
            aria-label="Remove {person.name}"
            onclick={() => draft.edit({ people: people.filter((_, j) => j !== i) })}><X size={14} /></button
          >
        </span>
        <span class="grid gap-1">
          {#each spans as span, j (j)}
            <span class="flex flex-wrap items-center gap-1">
              <SpanFields
                label="{person.name ?? ''} {j + 1}"
                {span}
                onchange={(changed) => editPerson(i, { hours: spans.map((s, k) => (k === j ? changed : s)) })}
              />
              <button
                class="btn btn-ghost btn-xs btn-square"
                aria-label="Remove these hours of {person.name}"
                onclick={() => editPerson(i, { hours: spans.filter((_, k) => k !== j) })}
                ><X size={14} /></button
              >
            </span>
          {/each}
          <button
            class="btn btn-ghost btn-xs justify-self-start"
            onclick={() =>
              editPerson(i, {
                hours: [...spans, { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '09:00', to: '17:00' }]
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
        draft.edit({
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
