<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import { signs } from './words';

  /** Smell and flame in two taps. */
  const { onsign, onclose }: { onsign: (sign: string) => void; onclose: () => void } = $props();
</script>

<Dialog title="The air" {onclose}>
  <p class="text-soft mb-2">
    Carbon monoxide has no smell: leave when the alarm sounds. Keep face and sleeves from the flame.
  </p>
  <div class="grid gap-2">
    {#each signs as s (s.sign)}
      <button
        class="btn btn-paper justify-between"
        style="min-height: 54px; font-size: 16px"
        onclick={() => onsign(s.sign)}
        ><b>{s.name}</b><span class="text-soft font-normal">{s.means}</span></button
      >
    {/each}
  </div>
</Dialog>
