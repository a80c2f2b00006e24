<script lang="ts">
  import { when } from '$lib/format';
  import type { Setting } from './setting.svelte';

  /** Whether it is set, no longer set, or in the kiln already. */
  const { setting, kiln }: { setting: Setting; kiln: string } = $props();
</script>

{#if setting.clean}
  <p class="status good" data-testid="set-status">
    <b>Set.</b> Read back clean{setting.clean.by ? ` by ${setting.clean.by}` : ''}, {when(
      new Date(setting.clean.at)
    )}, code
    <b>{setting.clean.code}</b>{setting.clean.slot ? `, program ${setting.clean.slot}` : ''}.
  </p>
{:else if setting.before}
  <p class="status warn" data-testid="set-status">
    <b>No longer set.</b> Changed since it was entered {when(new Date(setting.before.at))} (code {setting
      .before.code}, now
    {setting.fit?.code}): enter it again.
  </p>
{:else if setting.held}
  <p class="status good" data-testid="set-status">
    <b>{kiln} has this already</b>{setting.held.slot ? ` in program ${setting.held.slot}` : ''}: read back
    clean {when(new Date(setting.held.at))}, code {setting.held.code}. Read it back once more and it is set.
  </p>
{/if}

<style>
  .status {
    border-radius: 10px;
    padding: 8px 14px;
    font-size: 15px;
  }
  .good {
    background: color-mix(in oklab, var(--color-success) 16%, var(--color-base-100));
    border-left: 4px solid var(--color-success);
  }
  .warn {
    background: color-mix(in oklab, var(--color-warning) 16%, var(--color-base-100));
    border-left: 4px solid var(--color-warning);
  }
  @media print {
    .status {
      display: none;
    }
  }
</style>
