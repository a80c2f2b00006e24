<script lang="ts">
  import PeopleCard from '$lib/studio/PeopleCard.svelte';
  import PricesCard from '$lib/studio/PricesCard.svelte';
  import RuleCard from '$lib/studio/RuleCard.svelte';
  import StudioPage from '$lib/studio/StudioPage.svelte';
</script>

<StudioPage title="Hours and prices">
  {#snippet children(draft)}
    <PricesCard {draft} />
    <PeopleCard {draft} />
    <RuleCard {draft} />
  {/snippet}
</StudioPage>
