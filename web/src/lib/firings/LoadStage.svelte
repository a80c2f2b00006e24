<script lang="ts">
  import { weight } from '$lib/scales';
  import { createQuery } from '@tanstack/svelte-query';
  import { tick } from 'svelte';
  import { on } from 'svelte/events';
  import { number, plural } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { TaughtLine } from '$lib/learning';
  import { PackingCard } from '$lib/packing';
  import { clays, glazes } from '$lib/stock';
  import type { FiringDraft } from './firing-draft.svelte';
  import { sizeField } from './lot';
  import LotLines from './LotLines.svelte';
  import LotRow from './LotRow.svelte';

  /** What goes into the kiln, row by row, and what follows from it. */
  interface Props {
    draft: FiringDraft;
    /** Makes a second firing of what does not fit. */
    onsecond: (left: readonly { row: number; count: number }[]) => void;
    /** Makes the glaze firings a bisque will need. */
    onglazes: (loads: readonly (readonly { row: number; count: number }[])[]) => void;
  }
  const { draft, onsecond, onglazes }: Props = $props();
  let list: HTMLElement;
  const clayList = createQuery(() => ({ queryKey: ['clays', ''], queryFn: () => clays.search('') }));
  const glazeList = createQuery(() => ({ queryKey: ['glazes', ''], queryFn: () => glazes.search('') }));
  const load = $derived(draft.load);
  const kiln = createQuery(kilnList);
  const kilnName = $derived(kiln.data?.find((k) => k.id === draft.body.kilnId)?.kiln.name ?? 'this kiln');
  const trouble = $derived(
    Object.entries(draft.planErrors)
      .filter(([field]) => !/^lots\[\d+\]/.test(field))
      .map(([, text]) => text)
  );

  async function focus(row: number, which = `#lot-${row}-what`) {
    await tick();
    list.querySelector<HTMLInputElement>(which)?.focus();
  }

  function add() {
    draft.addLot(draft.lots.length - 1);
    void focus(draft.lots.length - 1);
  }

  /** Enter goes to a new row, Alt D writes the row once more. */
  function keys(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    const row = Number(target.closest<HTMLElement>('[data-row]')?.dataset['row'] ?? Number.NaN);
    if (Number.isNaN(row)) return;
    if (event.key === 'Enter' && target.tagName === 'INPUT') {
      event.preventDefault();
      target.blur();
      add();
    } else if (event.altKey && event.key.toLowerCase() === 'd') {
      event.preventDefault();
      target.blur();
      const lot = draft.lots[row];
      if (lot) draft.addLot(row, lot);
      void focus(row + 1);
    }
  }

  $effect(() => on(list, 'keydown', keys));
</script>

<div class="stage">
  <section class="card-paper" aria-label="Load" bind:this={list}>
    {#each draft.lots as lot, row (row)}
      <LotRow {draft} {lot} {row} clays={clayList.data ?? []} glazes={glazeList.data ?? []} />
    {:else}
      <p class="text-soft p-4">
        Nothing is in the kiln yet. Write the first lot: what, how many, how thick the thickest wall.
      </p>
    {/each}
    <LotLines onsaid={(said) => draft.addSaid(said)} />
    <p class="px-2.5 pb-2.5">
      <button class="btn btn-sm btn-ghost" data-testid="add-lot" onclick={add}>Add an empty lot</button>
    </p>
  </section>
  <aside class="grid content-start gap-3">
    {#if draft.body.kilnId}<TaughtLine kilnId={draft.body.kilnId} />{/if}
    <PackingCard
      loop={draft.packer}
      kiln={kilnName}
      sheet="/firings/{draft.id}/loading"
      {onsecond}
      {onglazes}
      onsize={(row) => void focus(row, sizeField(row))}
    />
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
          {#if draft.body.kind !== 'glaze'}
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
          <span class="text-soft">{number(load.fill * 100, 0)} % of a usual load in {kilnName}</span>
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
    {#if load?.notes.length}
      <section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-label="About this load">
        {#each load.notes as note (note.id + note.text)}<p
            class="border-warning mb-1.5 border-l-4 pl-2.5 last:mb-0"
          >
            {note.text}
          </p>{/each}
      </section>
    {/if}
    <section class="card-paper grid gap-1.5 px-3.5 py-2.5 text-[13.5px]" aria-label="In the kiln">
      {#if draft.body.kind !== 'drying'}
        <label class="flex items-baseline gap-2">
          <input
            type="checkbox"
            class="checkbox checkbox-primary checkbox-xs"
            checked={draft.body.witnessPack === true}
            onchange={(e) => draft.edit({ witnessPack: e.currentTarget.checked })}
          />
          <span
            ><b>Witness pack in sight</b>{#if load?.pack.length}<span data-testid="pack"
                >, cones {load.pack.join(' · ')}</span
              >{/if}
            <span class="text-soft block text-[12.5px]"
              >Thermocouples drift; the cones tell what the ware had.</span
            ></span
          >
        </label>
      {/if}
      {#if draft.body.kind !== 'glaze'}
        <label class="flex items-baseline gap-2">
          <input
            type="checkbox"
            class="checkbox checkbox-primary checkbox-xs"
            checked={draft.body.packed === true}
            onchange={(e) => draft.edit({ packed: e.currentTarget.checked })}
          />
          <span
            ><b>Packed tight</b>
            <span class="text-soft block text-[12.5px]"
              >Little air between the ware: it burns out slower.</span
            ></span
          >
        </label>
      {/if}
    </section>
    <p class="text-soft text-[12.5px]">
      {#if draft.body.kind === 'bisque'}Pieces may touch and stack foot on foot, not wedge one into another;
        plates lie flat.{:else if draft.body.kind === 'glaze'}Nothing touches; clean feet; a witness pack in
        sight on each shelf that matters.{:else}Leave air between the pieces, and the vent on.{/if}
      Keep clear of the thermocouple and the elements.
    </p>
  </aside>
</div>

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
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 352px;
    gap: 14px;
  }
  @media (max-width: 1023px) {
    .stage {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
