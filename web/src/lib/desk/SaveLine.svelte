<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import type { Desk } from './desk.svelte';

  const { desk }: { desk: Desk } = $props();
</script>

<span
  class="inline-flex items-center gap-1"
  role="status"
  aria-live="polite"
  data-testid="save-state"
  data-state={desk.save.kind}
>
  {#if desk.save.kind === 'saved'}
    <Check size={14} class="text-success" /> saved, version {desk.version}
  {:else if desk.save.kind === 'saving' || desk.save.kind === 'waiting'}
    {desk.id === null && !desk.draft.name ? 'kept here; give it a name to save it' : 'saving'}
  {:else if desk.save.kind === 'mend'}
    <span class="text-error font-semibold">not saved yet:</span> {desk.save.text}
  {:else if desk.save.kind === 'offline'}
    <span class="text-error font-semibold">kept here:</span>
    {desk.save.text}
    <button class="link" onclick={() => void desk.store()}>Try again</button>
  {:else if desk.save.kind === 'clash'}
    <span class="text-error font-semibold">changed by somebody else</span>
  {/if}
</span>
