<script lang="ts" generics="T">
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import type { KeptDraft } from './kept-draft.svelte';

  /** Whether it is kept, and the way back and forth. */
  const { draft, testid }: { draft: KeptDraft<T>; testid: string } = $props();
  const words = { new: '', kept: 'kept', waiting: 'keeping …', mend: 'mend what is marked' };
</script>

<span class="text-soft mr-2 text-[13px]" aria-live="polite" data-testid={testid}>{words[draft.saved]}</span>
<button
  type="button"
  class="btn btn-ghost btn-sm btn-square"
  aria-label="Undo"
  disabled={!draft.history.canUndo}
  onclick={() => draft.undo()}><Undo size={17} /></button
>
<button
  type="button"
  class="btn btn-ghost btn-sm btn-square"
  aria-label="Redo"
  disabled={!draft.history.canRedo}
  onclick={() => draft.redo()}><Redo size={17} /></button
>
