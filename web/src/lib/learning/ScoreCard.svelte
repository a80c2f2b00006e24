<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { scoreOf } from './score';
  import ScoreChart from './ScoreChart.svelte';

  /** How well a kiln was foretold: what was said when each firing was started, beside what came. */
  const { kilnId }: { kilnId: number } = $props();

  const score = createQuery(() => scoreOf(kilnId));
</script>

{#if score.data}
  <section
    class="card-paper grid grid-cols-[minmax(0,1fr)] gap-3 p-4"
    aria-labelledby="score-heading"
    data-testid="score"
  >
    <h2 id="score-heading" class="text-[17px]">Foretold and come</h2>
    <p>{score.data.text}</p>
    {#if score.data.figures.length > 0}
      <p class="text-soft text-[13.5px]">
        A bar is what was foretold when a firing was started, the earliest on the left. A dot came inside it,
        a cross outside.
      </p>
      <div class="charts">
        {#each score.data.figures as figure (figure.kind)}<ScoreChart {figure} />{/each}
      </div>
    {/if}
  </section>
{:else if score.isError}
  <p role="alert">
    {sayProblem(score.error)} <button class="link" onclick={() => score.refetch()}>Try again</button>
  </p>
{/if}

<style>
  .charts {
    display: grid;
    gap: 12px;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 205px), 1fr));
  }
</style>
