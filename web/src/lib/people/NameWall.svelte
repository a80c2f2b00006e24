<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { peopleList } from './queries';

  /** The names of the studio, to be tapped with clay on the hands. */
  interface Props {
    onchoose: (name: string) => void;
    ontype: () => void;
  }
  const { onchoose, ontype }: Props = $props();
  const people = createQuery(peopleList);
</script>

{#if people.isError}<p role="alert">{sayProblem(people.error)}</p>{/if}
<ul class="wall" data-testid="name-wall">
  {#each people.data ?? [] as person (person.id)}
    <li>
      <button class="btn btn-paper min-h-16 w-full text-lg" onclick={() => onchoose(person.name)}
        >{person.name}</button
      >
    </li>
  {/each}
</ul>
<p class="mt-3"><button class="link text-[14px]" onclick={ontype}>Type name and password</button></p>

<style>
  .wall {
    display: grid;
    gap: 8px;
    grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
    max-height: 60dvh;
    overflow-y: auto;
  }
</style>
