<script lang="ts">
  import type { ScheduleBody } from '$lib/api/client';
  import { degrees, hold, number } from '$lib/format';

  /** A schedule as it is printed: a step a line. */
  const { schedule }: { schedule: ScheduleBody } = $props();

  const unit = $derived(schedule.unit ?? 'C');
  const steps = $derived((schedule.segments ?? []).filter((s) => s !== null));
  const before = (i: number) => steps[i - 1]?.target ?? 20;
  const cools = (i: number) => (steps[i]?.target ?? 0) < before(i);
</script>

<ol class="grid gap-0.5 text-[15px]">
  {#each steps as step, i (i)}
    <li>
      {#if step.target == null}Off.
      {:else}
        {cools(i) ? 'Cool' : 'Climb'}
        {step.pace === 'full' ? 'at full power' : `${number(step.rate ?? 0, 0)} °${unit}/h`} to
        <b>{degrees(step.target, unit)}</b>{step.holdMinutes ? `, hold ${hold(step.holdMinutes)}` : ''}.
      {/if}
    </li>
  {/each}
</ol>
