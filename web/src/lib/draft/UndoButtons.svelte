<script lang="ts" generics="T">
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import type { AutosavedDraft } from './autosaved-draft.svelte';

  const { draft }: { draft: AutosavedDraft<T> } = $props();
</script>

<button
  type="button"
  class="btn btn-ghost btn-sm btn-square"
  aria-label="Undo"
  title="Undo"
  disabled={!draft.history.canUndo}
  onclick={() => draft.undo()}><Undo size={17} /></button
>
<button
  type="button"
  class="btn btn-ghost btn-sm btn-square"
  aria-label="Redo"
  title="Redo"
  disabled={!draft.history.canRedo}
  onclick={() => draft.redo()}><Redo size={17} /></button
>
