<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';
  import { wrongs, type Wrong } from './words';

  /** What is wrong at a gas kiln: one tap, three steps, and it is noted. */
  const { onnote, onclose }: { onnote: (wrong: Wrong) => void; onclose: () => void } = $props();
  let chosen: Wrong | null = $state.raw(null);
</script>

<Dialog title={chosen?.name ?? 'What is wrong?'} {onclose}>
  {#if chosen}
    {@const wrong = chosen}
    <ol class="steps" data-testid="wrong-steps">
      {#each wrong.steps as step (step)}<li>{step}</li>{/each}
    </ol>
    <div class="mt-3 flex flex-wrap justify-end gap-2">
      <button class="btn btn-ghost min-h-12" onclick={() => (chosen = null)}>Something else</button>
      <button class="btn btn-primary min-h-12" onclick={() => onnote(wrong)} data-testid="wrong-note"
        >{wrong.then === 'one-less'
          ? 'It stays out: note it'
          : wrong.then === 'shut-off'
            ? 'Note it, and shut off in order'
            : 'Note it'}</button
      >
    </div>
    <p class="text-soft mt-2 text-[13.5px]">
      The kiln maker’s manual, the gas fitter and local rules come before this list.
    </p>
  {:else}
    <div class="grid gap-2">
      {#each wrongs as wrong (wrong.id)}
        <button class="btn btn-paper tall" onclick={() => (chosen = wrong)}>{wrong.name}</button>
      {/each}
    </div>
  {/if}
</Dialog>

<style>
  .steps {
    list-style: decimal;
    padding-left: 1.4em;
    font-size: 17px;
    line-height: 1.4;
    display: grid;
    gap: 8px;
  }
  .tall {
    min-height: 54px;
    font-size: 17px;
  }
</style>
