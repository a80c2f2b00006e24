<script lang="ts">
  import { clock, degrees, number, plural } from '$lib/format';
  import { toUnit } from '$lib/units';
  import { display } from '$lib/display.svelte';
  import type { LogTaken } from './types';

  /** What an import would give, told before anything is taken: the lines that cannot be read, one by one. */
  const { tried }: { tried: LogTaken } = $props();
  const more = $derived(tried.skipped - tried.firstSkipped.length);
</script>

<div class="border-warning mt-3 border-l-4 pl-2.5" role="alert" data-testid="log-tried">
  <p>
    <b
      >{plural(tried.skipped, 'line')} cannot be read and would be left out; {plural(
        tried.readings,
        'reading'
      )} can.</b
    >
    {clock(new Date(tried.from))} to {clock(new Date(tried.to))}{tried.hottest != null
      ? `, hottest ${degrees(toUnit(tried.hottest, display.unit), display.unit)}`
      : ''}.
  </p>
  <ul class="mt-1 max-h-40 overflow-y-auto text-[14px]">
    {#each tried.firstSkipped as line (line.line)}<li>Line {number(line.line, 0)}: {line.why}</li>{/each}
  </ul>
  {#if more > 0}<p class="text-soft text-[14px]">and {number(more, 0)} more</p>{/if}
</div>
