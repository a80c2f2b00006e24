<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { sayProblem, type Problem } from '$lib/api/client';

  /** Why a file was not imported, field by field. */
  const { problem, ondismiss }: { problem: Problem; ondismiss: () => void } = $props();
</script>

<div class="alert border-error bg-base-100 items-start" role="alert" data-testid="import-problem">
  <div class="flex-1">
    <p class="font-semibold">Nothing was imported.</p>
    <ul class="text-sm">
      {#each Object.entries(problem.errors ?? { '': [sayProblem(problem)] }).slice(0, 8) as [field, says] (field)}
        <li>
          {#if field}<span class="text-soft">{field}:</span>{/if}
          {says[0]}
        </li>
      {/each}
    </ul>
  </div>
  <button class="btn btn-sm btn-ghost btn-square" aria-label="Dismiss" onclick={ondismiss}
    ><X size={15} /></button
  >
</div>
