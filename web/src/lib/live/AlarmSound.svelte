<script lang="ts">
  import { bell } from './alarms.svelte';

  /** Whether an alarm would be heard on this device, and what it takes. */
</script>

{#if !bell.canSound || bell.notices === 'default'}
  <p class="text-soft flex flex-wrap items-center gap-x-3 text-[13.5px]" data-testid="ring-here">
    {#if !bell.canSound}<span>Alarms are silent here until this page is touched once.</span>{/if}
    {#if bell.notices === 'default'}<button class="link" onclick={() => void bell.askForNotices()}
        >Show alarms as notifications too</button
      >{/if}
  </p>
{:else if bell.notices === 'denied'}
  <p class="text-soft text-[13.5px]">
    Alarms sound here; this browser does not allow notifications from this page.
  </p>
{/if}
