<script lang="ts">
  import { onScale } from '$lib/said-units';
  import CurvePicture from '$lib/glossary/CurvePicture.svelte';
  import { findTerms } from '$lib/glossary/terms';
  import BenchTabs from '$lib/ui/BenchTabs.svelte';

  let words = $state('');
  const found = $derived(findTerms(words));
</script>

<svelte:head><title>Glossary · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Bench</h1>
      <BenchTabs />
    </div>
    <input
      type="search"
      class="input input-sm w-56"
      placeholder="Find a term: soak, ramp …"
      aria-label="Find a term"
      bind:value={words}
    />
  </header>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="max-w-3xl overflow-x-auto" role="region" aria-label="A firing and its words" tabindex="0">
    <CurvePicture />
  </div>
  <dl class="card-paper grid max-w-3xl gap-x-5 gap-y-2.5 px-4 py-3 sm:grid-cols-[12rem_1fr]">
    {#each found as { term, means, also } (term)}
      <dt class="font-semibold">{term}</dt>
      <dd>
        {onScale(means)}
        {#if also.length}<span class="text-soft">Also called {also.join(', ')}.</span>{/if}
      </dd>
    {:else}
      <dd class="text-soft col-span-full">No term says “{words}”. Try another word for it.</dd>
    {/each}
  </dl>
</div>
