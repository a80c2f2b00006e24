<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { toasts } from './toasts.svelte';
</script>

<div class="toast toast-center bottom-16 z-50 md:bottom-2 print:hidden" role="status" aria-live="polite">
  {#each toasts.list as toast (toast.id)}
    <div class="alert bg-neutral text-neutral-content border-0 py-2 shadow-lg" data-testid="toast">
      <span class={toast.tone === 'error' ? 'font-semibold' : ''}>{toast.text}</span>
      <span class="flex items-center gap-1">
        {#if toast.action}
          {@const action = toast.action}
          <button
            class="btn btn-sm btn-ghost text-neutral-content underline"
            onclick={() => {
              action.run();
              toasts.dismiss(toast.id);
            }}>{action.label}</button
          >
        {/if}
        <button
          class="btn btn-sm btn-ghost btn-square text-neutral-content"
          aria-label="Dismiss"
          onclick={() => toasts.dismiss(toast.id)}
        >
          <X size={16} />
        </button>
      </span>
    </div>
  {/each}
</div>
