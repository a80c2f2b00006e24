<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Basis } from '$lib/api/client';
  import { display } from '$lib/display.svelte';

  /** How a number came about, for whoever asks: the formula, the numbers in it, and the source. */
  interface Props {
    basis: Basis;
    /** Drawn below it. */
    children?: Snippet;
  }
  const { basis, children }: Props = $props();
</script>

<details data-testid="basis" data-units="own">
  <summary>Why this number?</summary>
  <dl>
    <dt>Rule</dt>
    <dd class="formula">{basis.formula}</dd>
    <dt>Here</dt>
    <dd>{basis.numbers}</dd>
    {#if display.unit !== 'C' || display.length !== 'mm'}<dt>Units</dt>
      <dd>Worked in °C and mm, as the rule is.</dd>{/if}
    <dt>Source</dt>
    <dd>{basis.source}</dd>
  </dl>
  {@render children?.()}
</details>

<style>
  summary {
    display: inline-block;
    cursor: pointer;
    font-size: 12.5px;
    text-decoration: underline dotted;
    text-underline-offset: 3px;
  }
  dl {
    display: grid;
    grid-template-columns: 52px minmax(0, 1fr);
    gap: 2px 8px;
    margin: 4px 0 2px;
    padding: 6px 10px;
    border-left: 3px solid var(--color-base-300);
    font-size: 12.5px;
  }
  dt {
    font-weight: 600;
  }
  .formula {
    color: var(--color-base-content);
  }
</style>
