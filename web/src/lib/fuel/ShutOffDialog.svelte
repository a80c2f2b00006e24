<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';

  /** Shutting off in its order, ticked as it is done; the order is the safe one. */
  const { onshut, onclose }: { onshut: () => void; onclose: () => void } = $props();
  const list = [
    { what: 'Regulator down', why: 'the flames go small' },
    { what: 'Tank or supply valve shut', why: 'the line burns empty' },
    { what: 'Burner valves shut', why: 'no flame is left at any burner' },
    { what: 'Ports and peepholes shut', why: 'cold air cracks ware' },
    { what: 'Flue shut', why: 'damper all the way in: it cools slowly and evenly' }
  ];
  let done = $state(0);
</script>

<Dialog title="Shut off in order" {onclose}>
  <p class="caution">Burns: burning gas may stand at the flue until the line is empty. Gloves, face away.</p>
  <ol class="mt-2 grid gap-2">
    {#each list as item, i (item.what)}
      <li>
        <button
          class={[
            'btn tall w-full justify-between',
            i < done ? 'btn-ghost' : i === done ? 'btn-primary' : 'btn-paper'
          ]}
          disabled={i !== done}
          aria-pressed={i < done}
          onclick={() => done++}
          data-testid="shut-item"
          ><b>{i < done ? '✓ ' : `${i + 1}. `}{item.what}</b><span class="font-normal">{item.why}</span
          ></button
        >
      </li>
    {/each}
  </ol>
  <button
    class="btn btn-primary tall mt-3 w-full"
    disabled={done < list.length}
    onclick={onshut}
    data-testid="all-shut">All shut: it cools</button
  >
  <p class="text-soft mt-2 text-[13.5px]">
    Leave it shut until it is safe to open. The kiln maker’s manual comes before this list where they differ.
  </p>
</Dialog>

<style>
  .tall {
    min-height: 54px;
    font-size: 16px;
  }
  .caution {
    border-left: 4px solid var(--color-warning);
    padding-left: 10px;
  }
</style>
