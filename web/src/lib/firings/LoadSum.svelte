<script lang="ts">
  import type { FiringBody, LoadSummary } from '$lib/api/client';
  import { number, plural } from '$lib/format';
  import { weight } from '$lib/scales';

  /** What a load comes to: pieces, weight, what decides the drying, how full the kiln is, and what is wrong with it. */
  interface Props {
    load: LoadSummary | null;
    kind: FiringBody['kind'] | null;
    kiln: string;
    trouble: readonly string[];
  }
  const { load, kind, kiln, trouble }: Props = $props();
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="in-all" data-testid="load-sum">
  <h2 id="in-all" class="mb-1 text-[15px]">In all</h2>
  {#if load}
    <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-[3px]">
      <dt class="text-soft">Pieces</dt>
      <dd class="text-right font-semibold">{load.pieces} in {plural(load.lots, 'lot')}</dd>
      <dt class="text-soft">Ware</dt>
      <dd class="text-right font-semibold">{weight(load.wareKg)}</dd>
      <dt class="text-soft">Thickest</dt>
      <dd class="text-right font-semibold">{load.thickest}</dd>
      {#if kind !== 'glaze'}
        <dt class="text-soft">Decides the drying</dt>
        <dd class="text-right font-semibold">{load.slowestToDry}</dd>
      {/if}
    </dl>
  {:else if !trouble.length}
    <p class="text-soft">It is added up as you write.</p>
  {/if}
  {#if load?.unweighed}
    <p class="border-warning mt-1.5 border-l-4 pl-2.5" data-testid="unweighed">
      {load.unweighed} Give across and tall, or weigh one.
    </p>
  {:else if load?.weighing}
    <p class="text-soft mt-1.5" data-testid="weighing">{load.weighing}</p>
  {/if}
  {#if load?.fill != null}
    <p class="mt-1.5" data-testid="fill">
      <span class="text-soft">{number(load.fill * 100, 0)} % of a usual load in {kiln}</span>
      <span class="bar" aria-hidden="true"
        ><span style:width="{Math.min(100, load.fill * 100)}%" class:thin={load.fill < 0.2}></span></span
      >
    </p>
  {/if}
  {#each [...new Set([...(load?.clashes ?? []), ...trouble])] as text (text)}<p
      class="text-error mt-1"
      role="alert"
    >
      {text}
    </p>{/each}
</section>

<style>
  .bar {
    display: block;
    height: 6px;
    margin-top: 3px;
    border-radius: 3px;
    background: var(--color-base-300);
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--color-primary);
  }
  .bar .thin {
    background: var(--color-warning);
  }
</style>
