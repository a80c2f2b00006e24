<script lang="ts">
  import { shortTime } from '$lib/format';
  import TurnTable from './TurnTable.svelte';
  import type { FiringTurns } from './words';

  /** The plan as it would be from now: the difference first, taken with one press. */
  interface Props {
    fresh: NonNullable<FiringTurns['fresh']>;
    unit: 'C' | 'F';
    ontake: () => void;
  }
  const { fresh, unit, ontake }: Props = $props();
  let looking = $state(false);
  const last = $derived(fresh.turns.at(-1));
</script>

<section class="card-paper px-3.5 py-2.5" aria-label="Plan anew from now" data-testid="replan">
  <h2 class="text-[16px]">Plan anew from now?</h2>
  <ul class="text-[14.5px]">
    {#each fresh.says as text (text)}<li>{text}</li>{/each}
  </ul>
  {#if looking}<TurnTable turns={fresh.turns} {unit} />{/if}
  <div class="mt-2 flex flex-wrap gap-2">
    <button class="btn btn-primary min-h-12" onclick={ontake} data-testid="take-replan"
      >Take the new plan</button
    >
    <button class="btn btn-ghost min-h-12" onclick={() => (looking = !looking)} aria-expanded={looking}
      >{looking
        ? 'Hide its turns'
        : `See its turns${last?.at ? `, until ${shortTime(new Date(last.at))}` : ''}`}</button
    >
  </div>
</section>
