<script lang="ts">
  import { clock } from '$lib/format';
  import type { LogTaken } from './types';

  /** What a file gave: readings, gaps, and the lines that could not be read. */
  const { taken }: { taken: LogTaken } = $props();
</script>

<p class="text-lg" data-testid="taken">
  {taken.added === 0
    ? 'This file was imported before: nothing is new.'
    : `${taken.added.toLocaleString('en-GB')} ${taken.added === 1 ? 'reading' : 'readings'}, from ${clock(new Date(taken.from))} to ${clock(new Date(taken.to))}.`}
</p>
<p class="text-soft mt-1">
  {taken.gaps === 0 ? 'No gaps.' : taken.gaps === 1 ? 'One gap.' : `${taken.gaps} gaps.`}
  {#if taken.skipped > 0}{taken.skipped === 1
      ? 'One line could not be read:'
      : `${taken.skipped} lines could not be read:`}{/if}
</p>
{#if taken.skipped > 0}
  <ul class="mt-1 max-h-40 overflow-y-auto text-[14px]">
    {#each taken.firstSkipped as line (line.line)}<li>Line {line.line}: {line.why}</li>{/each}
  </ul>
{/if}
