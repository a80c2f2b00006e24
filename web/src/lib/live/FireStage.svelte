<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { runOf } from './queries';

  /** The firing itself: before its start the list, after it the kiln. Each is fetched when it is wanted, so that other pages stay light. */
  interface Props {
    firingId: number;
    name: string;
    kiln: { id: number; name: string } | null;
    startsAt: string | null;
    ready: () => Promise<unknown>;
  }
  const { firingId, name, kiln, startsAt, ready }: Props = $props();
  const run = createQuery(() => runOf(firingId));
</script>

{#if run.isError}
  <p role="alert">
    {sayProblem(run.error)} <button class="link" onclick={() => run.refetch()}>Try again</button>
  </p>
{:else if run.data?.heat === 'fuel'}
  {#await import('./FuelWatch.svelte') then { default: FuelWatch }}
    <FuelWatch run={run.data} kiln={kiln?.name ?? 'Kiln'} {name} />
  {/await}
{:else if run.data}
  {#await import('./WatchStage.svelte') then { default: WatchStage }}
    <WatchStage run={run.data} kiln={kiln?.name ?? 'Kiln'} {name} />
  {/await}
{:else if run.isSuccess}
  {#await import('./StartStage.svelte') then { default: StartStage }}
    <StartStage {firingId} {kiln} {startsAt} {ready} />
  {/await}
{/if}
