<script lang="ts">
  import { CheckListsCard } from '$lib/live';
  import DataCard from '$lib/studio/DataCard.svelte';
  import DisplayCard from '$lib/studio/DisplayCard.svelte';
  import PersonCard from '$lib/studio/PersonCard.svelte';
  import StudioPage from '$lib/studio/StudioPage.svelte';
</script>

<StudioPage title="Settings">
  {#snippet children(draft)}
    <DisplayCard {draft} />
    <PersonCard />
    <CheckListsCard />
    <DataCard />
  {/snippet}
</StudioPage>
