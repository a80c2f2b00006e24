<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import type { Lot, Packing } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { sayLength } from '$lib/fields/measure';
  import { lengthText } from '$lib/fields/length-text';
  import { counted, plural } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { weight } from '$lib/scales';
  import KilnSection from './KilnSection.svelte';
  import { shadesOf } from './maker-colours';
  import ShelfPlan from './ShelfPlan.svelte';

  /** One page to load by, from the bottom up: props to fetch, what goes on each shelf and whose; on a phone a tick for each shelf. */
  interface Props {
    packing: Packing;
    lots: readonly Lot[];
    name: string;
    kiln: string;
    /** Handles stand as the packer turned them. */
    turned: boolean;
    raw: boolean;
  }
  const { packing, lots, name, kiln, turned, raw }: Props = $props();

  const shades = $derived(shadesOf(lots));
  const done = new SvelteSet<number>();
  const inSoFar = $derived(
    packing.shelves
      .filter((s) => done.has(s.number))
      .reduce((sum, s) => sum + s.pieces.reduce((n, p) => n + p.stack, 0), 0)
  );
  const above = (shelf: Packing['shelves'][number]) =>
    packing.shelves
      .filter((s) => s.region === shelf.region && s.column === shelf.column && s.z > shelf.z)
      .sort((a, b) => a.z - b.z)[0]?.props ?? [];

  /** "12 mugs, 4 plates in stacks of 4". */
  function on(shelf: Packing['shelves'][number]) {
    return lots
      .map((lot, i) => {
        const stands = shelf.pieces.filter((p) => p.lot === i);
        const count = stands.reduce((n, p) => n + p.stack, 0);
        const most = Math.max(0, ...stands.map((p) => p.stack));
        return { lot, i, count, most };
      })
      .filter(({ count }) => count > 0);
  }
</script>

<article class="sheet" data-testid="loading-sheet">
  <header>
    <h1>{name}</h1>
    <p>
      {kiln}: {packing.totals.pieces} pieces on {plural(packing.totals.shelves, 'shelf', 'shelves')}, {weight(
        packing.totals.wareKg
      )} of ware and {weight(packing.totals.furnitureKg)} of shelves and props.
      <span class="count" aria-live="polite">{inSoFar} of {packing.totals.pieces} in</span>
    </p>
  </header>
  <section class="first">
    <div class="kiln"><KilnSection {packing} {lots} {shades} {turned} {raw} /></div>
    <div>
      <h2>Fetch first</h2>
      <ul class="props">
        {#each packing.pickUp as prop (prop.height)}<li>
            <b>{prop.count}</b> × {lengthText(prop.height ?? 0)}
          </li>{/each}
      </ul>
      {#each packing.cautions as caution (caution.id)}<p class="caution">{onScale(caution.text)}</p>{/each}
      {#each packing.unplaced as u (u.lot)}<p class="caution">
          <b>{counted(u.count, lots[u.lot]?.what ?? 'pieces')} {u.count === 1 ? 'stays' : 'stay'} out.</b>
          {onScale(u.why)}
        </p>{/each}
    </div>
  </section>
  <ol>
    {#each packing.shelves as shelf (shelf.number)}
      <li class={[done.has(shelf.number) && 'done']}>
        <div class="drawing">
          <ShelfPlan {packing} {shelf} {lots} {shades} {turned} {raw} above={above(shelf)} />
        </div>
        <div>
          <label
            ><input
              type="checkbox"
              class="checkbox checkbox-primary checkbox-sm"
              checked={done.has(shelf.number)}
              onchange={(e) => (e.currentTarget.checked ? done.add(shelf.number) : done.delete(shelf.number))}
            />
            <b>Shelf {shelf.number}</b>
            {shelf.where}</label
          >
          <p class="text-soft">
            on {shelf.props.length} × {[
              ...new Set(
                shelf.props.map((p) => p.heights.map((h) => sayLength(h, display.length)).join(' + '))
              )
            ].join(', ')}
            {display.length}
          </p>
          <ul>
            {#each on(shelf) as { lot, i, count, most } (i)}<li>
                <i style:background={shades[i]}></i><b>{counted(count, lot.what ?? 'pieces')}</b>{most > 1
                  ? `, up to ${most} on one another`
                  : ''}{lot.whose ? ` (${lot.whose})` : ''}
              </li>{/each}
            {#if shelf.pack}<li>
                <i class="cones"></i>witness pack, seen at {lengthText(shelf.pack.peephole)}
              </li>{/if}
          </ul>
        </div>
      </li>
    {/each}
  </ol>
</article>

<style>
  .sheet {
    font-size: 13.5px;
  }
  h1 {
    font-size: 22px;
  }
  h2 {
    font-size: 15px;
  }
  .count {
    font-weight: 700;
    margin-left: 8px;
  }
  .first {
    display: grid;
    grid-template-columns: minmax(0, 240px) 1fr;
    gap: 18px;
    margin: 10px 0;
  }
  .props {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    margin-bottom: 8px;
  }
  .caution {
    border-left: 4px solid var(--color-warning);
    padding-left: 8px;
    margin-bottom: 5px;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
    gap: 10px;
  }
  li.done {
    opacity: 0.55;
  }
  ol > li {
    display: grid;
    grid-template-columns: 130px 1fr;
    gap: 10px;
    border: 1px solid var(--color-base-300);
    border-radius: 10px;
    padding: 8px;
  }
  label {
    display: flex;
    align-items: center;
    gap: 7px;
    min-height: 28px;
  }
  i {
    display: inline-block;
    width: 10px;
    height: 10px;
    border-radius: 3px;
    margin-right: 6px;
  }
  .cones {
    background: #fff2d8;
    border: 1px solid #8d7a66;
  }
  @media (max-width: 639px) {
    .first {
      grid-template-columns: 1fr;
    }
    label {
      min-height: 44px;
    }
    .count {
      position: sticky;
      top: 0;
      display: block;
      margin: 4px 0 0;
    }
  }
  @media print {
    .sheet {
      /* Black on white, whatever the theme; the makers' shades stay. */
      --color-base-content: #000;
      --color-soft: #444;
      --color-base-300: #bbb;
      color: #000;
      background: #fff;
      font-size: 11px;
      print-color-adjust: exact;
    }
    .first {
      grid-template-columns: 200px 1fr;
    }
    .checkbox,
    .count {
      display: none;
    }
    ol {
      grid-template-columns: repeat(3, 1fr);
    }
    ol > li {
      grid-template-columns: 92px 1fr;
      break-inside: avoid;
    }
  }
</style>
