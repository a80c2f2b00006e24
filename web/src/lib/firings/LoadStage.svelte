<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tick } from 'svelte';
  import { on } from 'svelte/events';
  import { kilnList } from '$lib/kilns/queries';
  import { TaughtLine } from '$lib/learning';
  import { PackingCard } from '$lib/packing';
  import { clays, glazes } from '$lib/stock';
  import type { FiringDraft } from './firing-draft.svelte';
  import { sizeField } from './lot';
  import LoadSum from './LoadSum.svelte';
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
    <LoadSum {load} kind={draft.body.kind ?? null} kiln={kilnName} {trouble} />
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
