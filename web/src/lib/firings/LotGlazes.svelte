<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { GlazeBody } from '$lib/api/client';
  import type { Stored } from '$lib/draft/outcome';

  /** The glazes on a lot. */
  interface Props {
    ids: readonly number[];
    glazes: readonly Stored<GlazeBody>[];
    onchange: (ids: number[]) => void;
  }
  const { ids, glazes, onchange }: Props = $props();

  const chosen = $derived(ids.map((id) => glazes.find((g) => g.id === id)).filter((g) => g));
</script>

<span class="flex flex-wrap items-center gap-1">
  {#each chosen as glaze (glaze?.id)}
    <button
      class="btn btn-xs btn-accent"
      aria-label="Remove {glaze?.body.name}"
      onclick={() => onchange(ids.filter((id) => id !== glaze?.id))}
      >{glaze?.body.name} <X size={12} /></button
    >
  {/each}
  <select
    class="select select-sm w-28"
    aria-label="Add a glaze"
    value=""
    onchange={(e) => {
      onchange([...ids, Number(e.currentTarget.value)]);
      e.currentTarget.value = '';
    }}
  >
    <option value="">glaze +</option>
    {#each glazes.filter((g) => !ids.includes(g.id)) as glaze (glaze.id)}<option value={String(glaze.id)}
        >{glaze.body.name}</option
      >{/each}
  </select>
</span>
