<script lang="ts">
  import { counted, number, plural } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import KilnSection from './KilnSection.svelte';
  import type { PackingLoop } from './packing-loop.svelte';
  import { shadesOf } from './maker-colours';
  import ShelfCard from './ShelfCard.svelte';
  import TakesMore from './TakesMore.svelte';

  /** The kiln as it will stand: what fits, what does not and what would help, and each shelf from above. */
  interface Props {
    loop: PackingLoop;
    kiln: string;
    sheet: string;
    /** Makes a second firing of what does not fit. */
    onsecond: (left: readonly { row: number; count: number }[]) => void;
    /** Makes the glaze firings a bisque will need. */
    onglazes: (loads: readonly (readonly { row: number; count: number }[])[]) => void;
    /** Leads to the size of a lot. */
    onsize: (row: number) => void;
  }
  const { loop, kiln, sheet, onsecond, onglazes, onsize }: Props = $props();

  let chosen: number | null = $state(null);
  const packing = $derived(loop.packing);
  /** What is wrong with more than one row. */
  const general = $derived(
    Object.entries(loop.errors)
      .filter(([field]) => !field.startsWith('lots['))
      .map(([, text]) => text)
  );
  const turned = $derived(loop.wish.handles === 'turned');
  const raw = $derived(loop.isRaw);
  const shades = $derived(shadesOf(loop.lots));
  const shelf = $derived(packing?.shelves.find((s) => s.number === chosen) ?? null);
  const asked = $derived(loop.lots.reduce((sum, lot) => sum + (lot.count ?? 0), 0));
  const unknown = $derived(loop.sizeless.reduce((sum, { lot }) => sum + (lot.count ?? 0), 0));
  const handles = $derived(loop.lots.some((lot) => (lot.piece?.handle ?? 0) > 0));
  const bothKinds = $derived(
    [true, false].every((half) => packing?.chamber.shelves?.some((s) => (s.half ?? false) === half))
  );
  const byHand = $derived((loop.wish.keep?.pieces?.length ?? 0) > 0);
  const left = $derived(
    (packing?.unplaced ?? []).map((u) => ({ row: loop.rows[u.lot]?.row ?? 0, count: u.count }))
  );
</script>

<section
  class="card-paper grid gap-2 px-3.5 py-2.5 text-[13.5px]"
  aria-labelledby="packing"
  data-testid="packing"
>
  <div class="flex flex-wrap items-baseline justify-between gap-x-3">
    <h2 id="packing" class="text-[15px]">In {kiln}</h2>
    {#if packing}<span data-testid="packed">
        {#if packing.fits && loop.sizeless.length === 0}<b>All {asked} in</b>{:else}<b class="text-error"
            >{packing.totals.pieces} of {asked + unknown} in</b
          >{/if}, {plural(packing.totals.shelves, 'shelf', 'shelves')}, {number(
          packing.totals.share * 100,
          0
        )} % full</span
      >{/if}
    {#if loop.waiting}<span class="late" role="status"
        >Packing… <button class="link" onclick={() => loop.stop()}>Stop</button></span
      >{/if}
  </div>
  {#each [...new Set([...(loop.trouble ? [loop.trouble] : []), ...general])] as text (text)}<p
      class="text-error"
      role="alert"
    >
      {text}
    </p>{/each}
  {#if packing && loop.sizeless.length > 0}
    <p class="border-warning flex flex-wrap items-baseline gap-x-2 border-l-4 pl-2.5" data-testid="sizeless">
      <span
        ><b
          >Not packed yet: {loop.sizeless
            .map(({ lot }) => counted(lot.count ?? 0, lot.what || 'pieces'))
            .join(', ')}.</b
        >
        How wide and how tall {loop.sizeless.length === 1 && loop.sizeless[0]?.lot.count === 1
          ? 'is it'
          : 'are they'}?</span
      >
      <button class="btn btn-xs btn-paper" onclick={() => onsize(loop.sizeless[0]?.row ?? 0)}>Say it</button>
    </p>
  {/if}
  {#if packing}
    <KilnSection
      {packing}
      lots={loop.lots}
      {shades}
      {turned}
      {raw}
      selected={chosen}
      broken={loop.broken}
      onselect={(n) => (chosen = chosen === n ? null : n)}
    />
    {#if shelf}
      <ShelfCard {loop} {packing} {shelf} {shades} onshelf={(n) => (chosen = n)} />
    {/if}
    {#each [...new Set(packing.broken.map( (b) => (b.shelf ? `Shelf ${b.shelf}: ${onScale(b.text)}` : onScale(b.text)) ))] as text (text)}
      <p class="text-error" role="alert">{text}</p>
    {/each}
    {#if byHand}
      <p class="flex flex-wrap gap-x-3 gap-y-1">
        <button class="btn btn-xs btn-paper" onclick={() => loop.packTheRest()}>Pack the rest</button>
        <button class="btn btn-xs btn-ghost" onclick={() => loop.packAnew()}>Pack anew</button>
      </p>
    {/if}
    {#each packing.unplaced as u (u.lot)}
      <p class="border-warning border-l-4 pl-2.5" data-testid="left-out">
        <b>{counted(u.count, loop.lots[u.lot]?.what || 'pieces')} left out.</b>
        {onScale(u.why)}
        <span class="text-soft">{onScale(u.would)}</span>
      </p>
    {/each}
    <TakesMore {loop} />
    <p class="flex flex-wrap items-center gap-x-3 gap-y-1.5">
      {#if bothKinds}<label class="flex items-center gap-1"
          >on <select
            class="select select-xs w-auto"
            value={loop.wish.shelves ?? 'any'}
            onchange={(e) => loop.chooseShelves(e.currentTarget.value as 'any')}
          >
            <option value="any">whichever shelves take more</option>
            <option value="full">full shelves</option>
            <option value="half">half shelves</option>
          </select></label
        >{/if}
      {#if handles}<label class="flex items-center gap-1.5"
          ><input
            type="checkbox"
            class="checkbox checkbox-primary checkbox-xs"
            checked={turned}
            onchange={(e) => loop.turnHandles(e.currentTarget.checked)}
          /> handles turned as drawn</label
        >{/if}
      {#if left.length}<button class="btn btn-xs btn-paper" onclick={() => onsecond(left)}
          >Second firing with the rest</button
        >{/if}
      <a class="link" href={sheet}>Loading sheet</a>
    </p>
    {#if loop.isBisque}
      <p class="flex flex-wrap items-center gap-x-3 gap-y-1.5" aria-live="polite" data-testid="glazes">
        {#if loop.glazes}
          <span
            ><b>{plural(loop.glazes.count, 'glaze firing')}</b> afterwards: {loop.glazes.firings
              .map((f) => f.totals.pieces)
              .join(', ')} pieces</span
          >
          <button class="btn btn-xs btn-paper" onclick={() => onglazes(loop.glazeLoads)}
            >{loop.glazes.count === 1 ? 'Make it' : 'Make them'}</button
          >
        {:else}<button
            class="btn btn-xs btn-ghost -ml-2"
            disabled={loop.counting}
            onclick={() => void loop.countGlazes()}
            >{loop.counting ? 'Packing them one by one…' : 'How many glaze firings will it need?'}</button
          >{/if}
      </p>
    {/if}
    {#each packing.cautions.filter((c) => c.id !== 'shelf-wash' && c.id !== 'salt-props') as caution (caution.id)}
      <p class="border-warning border-l-4 pl-2.5">{onScale(caution.text)}</p>
    {/each}
  {:else}
    <p class="text-soft">
      {loop.rows.length === 0
        ? 'Give a lot its size, like 85 across and 100 tall, and the kiln is drawn as it will stand.'
        : 'Choose a kiln, and it is drawn as it will stand.'}
    </p>
  {/if}
</section>

<style>
  /* An answer usually comes at once; only a slow one says so. */
  .late {
    animation: appear 0s 500ms both;
  }
  @keyframes appear {
    from {
      visibility: hidden;
    }
  }
</style>
