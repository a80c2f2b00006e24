<script lang="ts">
  import type { KilnDraft } from '$lib/kilns/kiln-draft.svelte';
  import LearnCard from '$lib/kilns/LearnCard.svelte';
  import { TokenCard } from '$lib/live';

  /** What its firings have taught a kiln, what care it has had, what a logger needs to reach it. */
  const { draft, kilnId }: { draft: KilnDraft; kilnId: number } = $props();
  const isFuel = $derived(draft.body.heat === 'fuel');
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-3 px-5 pb-8" id="taught">
  {#if isFuel}
    {#await import('$lib/fuel/FuelTaughtCard.svelte') then { default: FuelTaughtCard }}<FuelTaughtCard
        {kilnId}
        mark={draft.body.mark ?? 0.05}
      />{/await}
  {:else}
    {#await import('$lib/learning/TaughtCard.svelte') then { default: TaughtCard }}<TaughtCard
        {kilnId}
      />{/await}
  {/if}
  {#await import('$lib/learning/ScoreCard.svelte') then { default: ScoreCard }}<ScoreCard {kilnId} />{/await}
  {#await import('$lib/learning/CareCard.svelte') then { default: CareCard }}<CareCard
      {kilnId}
      {isFuel}
    />{/await}
  {#if !isFuel}<LearnCard {draft} />{/if}
  <TokenCard {kilnId} />
</div>
