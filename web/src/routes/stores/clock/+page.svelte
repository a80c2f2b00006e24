<script lang="ts">
  import PeopleCard from '$lib/clock/PeopleCard.svelte';
  import PricesCard from '$lib/clock/PricesCard.svelte';
  import RuleCard from '$lib/clock/RuleCard.svelte';
  import StudioPage from '$lib/clock/StudioPage.svelte';
</script>

<StudioPage title="Hours and prices">
  {#snippet children(draft)}
    <PricesCard {draft} />
    <PeopleCard {draft} />
    <RuleCard {draft} />
  {/snippet}
</StudioPage>
