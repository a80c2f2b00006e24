<script lang="ts">
  import { ConeRow } from '$lib/cones';
  import { onScale } from '$lib/said-units';
  import Times from './Times.svelte';
  import type { Live, Run } from './types';

  /** The cones as they stand, the goal at the end as it is foretold, and how sure that is. */
  interface Props {
    run: Run;
    live: Live;
    /** By what the end is foretold: "by this plan". */
    by?: string;
    /** What this goes by. */
    source: string;
    unit: 'C' | 'F';
    /** When it comes to its top and its opening. */
    withTimes: boolean;
  }
  const { run, live, by = '', source, unit, withTimes }: Props = $props();
  const goal = $derived(live.forecast?.cones.find((c) => c.cone === run.goalCone) ?? null);
  const spread = $derived(
    goal && goal.degrees.p10 !== null && goal.degrees.p90 !== null && goal.degrees.p90 - goal.degrees.p10 > 1
      ? ([goal.degrees.p10, goal.degrees.p90] as const)
      : null
  );
</script>

<section class="card-paper p-3.5" aria-label="Heat work">
  {#if live.cones.length > 0}
    <ConeRow
      cones={live.cones.map((c) => ({
        cone: c.cone,
        progress: c.progress,
        bendDegrees: c.bendDegrees,
        clock: c.bendDegrees / 15,
        words: c.phrase
      }))}
      goal={run.goalCone}
    />
    {#if goal && live.endMinute === null}<p class="mt-2" data-testid="cone-forecast">
        At the end{by ? ` ${by}` : ''}: cone {goal.cone}
        <b>{goal.phrase}</b>{#if spread}<span class="text-soft ml-1"
            >· {onScale(`${Math.round(spread[0])} to ${Math.round(spread[1])} °C of cone`)} from its end point</span
          >{/if}
      </p>{/if}
    <p class="text-soft mt-1 text-[13.5px]">{source}</p>
  {:else}<p class="text-soft">
      {run.goalCone
        ? `Heat work for cone ${run.goalCone} is counted from the first ${run.heat === 'fuel' ? 'turn' : 'reading'} on.`
        : 'No goal cone: heat work is not counted.'}
    </p>{/if}
  {#if withTimes && live.forecast}<div class="border-base-300 mt-3 border-t pt-3">
      <Times {run} {live} {unit} />
    </div>{/if}
</section>
