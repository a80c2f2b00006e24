<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { onMount, type Snippet } from 'svelte';

  interface Props {
    title: string;
    wide?: boolean;
    onclose: () => void;
    children: Snippet;
  }
  const { title, wide = false, onclose, children }: Props = $props();
  let dialog: HTMLDialogElement;
  const uid = $props.id();

  onMount(() => dialog.showModal());
</script>

<dialog bind:this={dialog} class="modal" aria-labelledby="{uid}-title" {onclose}>
  <div class={['modal-box', wide ? 'max-w-3xl' : 'max-w-xl']}>
    <div class="mb-2 flex items-center justify-between">
      <h2 id="{uid}-title" class="text-xl">{title}</h2>
      <button class="btn btn-ghost btn-sm btn-square" aria-label="Close" onclick={() => dialog.close()}
        ><X size={18} /></button
      >
    </div>
    {@render children()}
  </div>
  <form method="dialog" class="modal-backdrop"><button tabindex="-1">Close</button></form>
</dialog>
