<script lang="ts">
  import { faults } from './faults';

  /** Every fault this kiln can make, drawn: press the one that is seen. */
  const {
    can,
    onchoose,
    folded,
    onunfold
  }: {
    can: readonly string[];
    onchoose: (kind: string) => void;
    folded: boolean;
    onunfold: () => void;
  } = $props();
</script>

{#if folded}
  <button class="btn btn-paper btn-sm justify-self-start" data-testid="fault-add" onclick={onunfold}
    >Something is wrong</button
  >
{:else}
  <ul class="grid-of-faults" aria-label="Which fault?">
    {#each faults.filter((f) => can.includes(f.id)) as fault (fault.id)}
      <li>
        <button onclick={() => onchoose(fault.id)} title={fault.looks} data-fault={fault.id}>
          <svg viewBox="0 0 24 24" aria-hidden="true"
            ><path
              d={fault.draw}
              fill="none"
              stroke="currentColor"
              stroke-width="1.7"
              stroke-linecap="round"
              stroke-linejoin="round"
            /></svg
          >
          <span>{fault.name}</span>
        </button>
      </li>
    {/each}
  </ul>
{/if}

<style>
  .grid-of-faults {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(92px, 1fr));
    gap: 6px;
  }
  button:not(.btn) {
    width: 100%;
    min-height: 64px;
    display: grid;
    justify-items: center;
    align-content: center;
    gap: 2px;
    border: 1px solid var(--color-base-300);
    border-radius: 10px;
    padding: 4px;
    font-size: 12.5px;
    line-height: 1.15;
    cursor: pointer;
  }
  button:not(.btn):hover {
    border-color: var(--color-primary);
  }
  svg {
    width: 26px;
    height: 26px;
    color: var(--color-primary);
  }
</style>
