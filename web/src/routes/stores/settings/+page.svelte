<script lang="ts">
  import DataCard from '$lib/clock/DataCard.svelte';
  import DisplayCard from '$lib/clock/DisplayCard.svelte';
  import PersonCard from '$lib/clock/PersonCard.svelte';
  import StudioPage from '$lib/clock/StudioPage.svelte';
</script>

<StudioPage title="Settings">
  {#snippet children(draft)}
    <DisplayCard {draft} />
    <PersonCard />
    <DataCard />
  {/snippet}
</StudioPage>
