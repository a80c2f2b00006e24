<script lang="ts" generics="T">
  import Check from '@lucide/svelte/icons/check';
  import type { AutosavedDraft } from './autosaved-draft.svelte';

  interface Props {
    draft: AutosavedDraft<T>;
    testid?: string;
    /** What to say while there is nothing stored yet. */
    fresh?: string;
  }
  /** Whether what is typed is saved, in a few words. */
  const { draft, testid = 'save-state', fresh = '' }: Props = $props();
</script>

<span
  class="text-soft inline-flex flex-wrap items-center gap-1 text-[13px]"
  role="status"
  aria-live="polite"
  data-testid={testid}
  data-state={draft.state.kind}
>
  {#if draft.state.kind === 'new'}
    {fresh}
  {:else if draft.state.kind === 'saved'}
    <Check size={14} class="text-success" /> saved
  {:else if draft.state.kind === 'waiting' || draft.state.kind === 'saving'}
    saving …
  {:else if draft.state.kind === 'fix'}
    <span class="text-error font-semibold">not saved yet:</span> {draft.state.text}
  {:else if draft.state.kind === 'offline'}
    <span class="text-error font-semibold">only on this device:</span>
    {draft.state.text}
    <button type="button" class="link" onclick={() => void draft.save()}>Try again</button>
  {:else if draft.state.kind === 'conflict'}
    <span class="text-error font-semibold">changed by someone else</span>
  {:else}
    <span class="text-error font-semibold">deleted somewhere else.</span>
    <button type="button" class="link" onclick={() => void draft.bringBack()}>Restore</button>
  {/if}
</span>
