<script lang="ts">
  import type { PlanStep, Unit } from '$lib/api/client';
  import { number } from '$lib/format';
  import { paceLines } from './pace-lines';

  /** Over the temperatures of a step: what the ware stands, what the kiln can, and what the program asks. */
  interface Props {
    paces: PlanStep['paces'];
    /** Degrees an hour; nothing where the kiln is left to itself. */
    asked: number | null;
    unit: Unit;
  }
  const { paces, asked, unit }: Props = $props();

  const [width, height] = [300, 84];
  const lines = $derived(paceLines(paces, asked, width, height));
  const [from, to] = $derived([paces[0]?.from ?? 0, paces[paces.length - 1]?.to ?? 0]);
  const span = (values: (number | null)[]) => {
    const known = values.filter((v) => v !== null);
    if (known.length === 0) return null;
    const [low, high] = [Math.min(...known), Math.max(...known)];
    return high - low < 1 ? number(high, 0) : `${number(low, 0)} to ${number(high, 0)}`;
  };
  const says = $derived(
    [
      ['ware', 'Ware and habit', span(paces.map((p) => p.ware))],
      ['kiln', 'This kiln by itself', span(paces.map((p) => p.kiln))],
      ['asked', 'The program', asked === null ? 'as the kiln does' : number(asked, 0)]
    ].filter((line) => line[2] !== null)
  );
</script>

<figure data-testid="paces">
  <svg
    viewBox="0 0 {width} {height}"
    role="img"
    aria-label="Degrees an hour from {number(from, 0)} to {number(to, 0)} °{unit}: {says
      .map(([, name, value]) => `${name} ${value}`)
      .join(', ')}"
  >
    <line x1="0" x2={width} y1={height - 0.5} y2={height - 0.5} class="base" />
    {#each lines as { kind, path } (kind)}<path d={path} class={kind} />{/each}
  </svg>
  <figcaption>
    <span class="ends"
      ><span>{number(from, 0)} °{unit}</span><span>degrees an hour</span><span>{number(to, 0)} °{unit}</span
      ></span
    >
    {#each says as [kind, name, value] (kind)}<span class="key {kind}">{name}: {value}</span>{/each}
  </figcaption>
</figure>

<style>
  figure {
    max-width: 320px;
    margin: 6px 0 2px;
    padding: 6px 10px;
    border-left: 3px solid var(--color-base-300);
    font-size: 12.5px;
  }
  svg {
    width: 100%;
    height: auto;
  }
  path {
    fill: none;
    stroke-width: 1.6;
  }
  .base {
    stroke: var(--color-base-300);
  }
  path.ware {
    stroke: var(--color-error);
    stroke-dasharray: 5 3;
  }
  path.kiln {
    stroke: var(--color-soft, currentColor);
    opacity: 0.75;
  }
  path.asked {
    stroke: var(--color-primary);
    stroke-width: 2.6;
  }
  .ends {
    display: flex;
    justify-content: space-between;
    gap: 8px;
  }
  .key {
    display: block;
    padding-left: 20px;
    position: relative;
  }
  .key::before {
    content: '';
    position: absolute;
    left: 0;
    top: 0.65em;
    width: 14px;
    border-top: 2px solid currentColor;
    opacity: 0.75;
  }
  .key.ware::before {
    border-top: 2px dashed var(--color-error);
    opacity: 1;
  }
  .key.asked::before {
    border-top: 3px solid var(--color-primary);
    opacity: 1;
  }
</style>
