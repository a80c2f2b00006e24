<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { me } from '$lib/api/me.svelte';
  import { peopleList, type Member } from './queries';
  import PersonDialog from './PersonDialog.svelte';
  import { roleNames } from './words';

  /** Everybody with an account; owners add and change them. */
  interface Props {
    /** The kilns there are, to be certified for. */
    kilns: readonly { id: number; name: string }[];
  }
  const { kilns }: Props = $props();
  const people = createQuery(peopleList);
  let open: Member | 'new' | null = $state(null);
  const isOwner = $derived(me.may('manage'));
  const certified = (p: Member) =>
    p.role === 'owner'
      ? 'every kiln'
      : kilns
          .filter((k) => p.certificates?.includes(k.id))
          .map((k) => k.name)
          .join(', ') || 'no kiln yet';
</script>

<section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="people">
  <h2 id="people" class="text-[17px]">People</h2>
  {#if people.isError}<p role="alert">{sayProblem(people.error)}</p>{/if}
  <ul class="grid">
    {#each people.data ?? [] as person (person.id)}
      <li class="border-base-300 flex flex-wrap items-center gap-x-3 border-t py-1.5 first:border-0">
        <b class="min-w-28">{person.name}</b>
        <span class="text-soft text-[14px]">{roleNames[person.role]}</span>
        {#if person.certificates && person.role !== 'maker'}<span class="text-[14px]"
            >fires {certified(person)}</span
          >{/if}
        {#if person.hasPassword === false}<span class="text-warning text-[13.5px]">no password yet</span>{/if}
        {#if isOwner}<button class="btn btn-ghost btn-xs ml-auto" onclick={() => (open = person)}
            >Change</button
          >{/if}
      </li>
    {/each}
  </ul>
  {#if isOwner}
    <p>
      <button class="btn btn-sm btn-paper" onclick={() => (open = 'new')} data-testid="add-person"
        >Add somebody</button
      >
    </p>
  {/if}
</section>

{#if open}<PersonDialog person={open === 'new' ? null : open} {kilns} onclose={() => (open = null)} />{/if}
