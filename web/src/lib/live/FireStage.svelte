<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { runOf } from './queries';
  import StartStage from './StartStage.svelte';
  import WatchStage from './WatchStage.svelte';

  /** The firing itself: before its start the list, after it the kiln. */
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
{:else if run.data}
  <WatchStage run={run.data} kiln={kiln?.name ?? 'Kiln'} {name} />
{:else if run.isSuccess}
  <StartStage {firingId} {kiln} {startsAt} {ready} />
{/if}
