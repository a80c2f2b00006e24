<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { learnedOf } from './queries';

  /** In a line, what the kiln has taught and what that means here. */
  const { kilnId }: { kilnId: number } = $props();
  const learned = createQuery(() => learnedOf(kilnId));
</script>

{#if learned.data && learned.data.firings > 0}
  <p class="text-soft text-[13.5px]" data-testid="taught-line">
    <a class="link" href="/stores/kilns/{kilnId}#taught">What this kiln has taught</a>: {learned.data
      .sentence}
  </p>
{/if}
