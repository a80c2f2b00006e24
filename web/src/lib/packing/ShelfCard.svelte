<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import RotateCw from '@lucide/svelte/icons/rotate-cw';
  import type { Packing, PlacedShelf } from '$lib/api/client';
  import { lengthText } from '$lib/fields/length-text';
  import { weight } from '$lib/scales';
  import type { PackingLoop } from './packing-loop.svelte';
  import ShelfPlan from './ShelfPlan.svelte';

  /** One shelf from above, and what can be done with it and with a piece on it by hand. */
  interface Props {
    loop: PackingLoop;
    packing: Packing;
    shelf: PlacedShelf;
    shades: readonly string[];
    /** Another shelf is looked at. */
    onshelf: (shelf: number) => void;
  }
  const { loop, packing, shelf, shades, onshelf }: Props = $props();

  let chosen: number | null = $state(null);
  const piece = $derived(chosen === null ? undefined : shelf.pieces[chosen]);
  const lot = $derived(piece && loop.lots[piece.lot]);
  const turned = $derived(loop.wish.handles === 'turned');
  const above = $derived(loop.next(shelf, true));
  const below = $derived(loop.next(shelf, false));
  const held = $derived(shelf.pieces.length > 0 && shelf.pieces.every((p) => p.held));
  /** What the opening can be: heights that props come to, tall enough for what stands here. */
  const openings = $derived(
    [
      ...new Set([
        ...packing.propHeights.filter(
          (h) => h >= (shelf.needs ?? 0) && h <= shelf.opening + (above?.opening ?? 0)
        ),
        shelf.opening
      ])
    ].sort((a, b) => a - b)
  );
  /** Round ware that may stand any way round looks the same when it is turned. */
  const quarter = $derived(
    lot?.piece?.shape === 'rectangle' ? 90 : turned && (lot?.piece?.handle ?? 0) > 0 ? 30 : 0
  );

  function turn() {
    if (piece && chosen !== null && quarter)
      loop.move(shelf.number, chosen, piece.x, piece.y, (piece.turn + quarter) % 360);
  }

  function keys(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || !piece || chosen === null) return;
    const key = event.key.toLowerCase();
    if (key === 't') turn();
    else if (key === 'l') loop.hold(shelf.number, chosen, !piece.held);
    else return;
    event.preventDefault();
  }

  function swap(up: boolean) {
    const to = loop.next(shelf, up)?.number;
    loop.swap(shelf, up);
    if (to !== undefined) onshelf(to);
  }
</script>

<div class="grid gap-1.5" data-testid="shelf-card">
  <div class="flex flex-wrap items-center justify-between gap-x-2 gap-y-1">
    <span
      ><b>Shelf {shelf.number}</b>{shelf.where ? ` (${shelf.where})` : ''}, {weight(shelf.wareKg)} of ware</span
    >
    <span class="flex items-center">
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Shelf {shelf.number} one up"
        title="Change places with the shelf over it"
        disabled={!above}
        onclick={() => swap(true)}><ArrowUp size={15} /></button
      >
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Shelf {shelf.number} one down"
        title="Change places with the shelf under it"
        disabled={!below}
        onclick={() => swap(false)}><ArrowDown size={15} /></button
      >
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Lock shelf {shelf.number}"
        aria-pressed={held}
        title={held ? 'The packer may move what stands here' : 'What stands here stays'}
        disabled={shelf.pieces.length === 0}
        onclick={() => loop.holdShelf(shelf.number, !held)}
        >{#if held}<Lock size={15} />{:else}<LockOpen size={15} />{/if}</button
      >
      {#if above}
        <select
          class="select select-sm ml-1 w-auto"
          aria-label="Opening over shelf {shelf.number}"
          value={String(shelf.opening)}
          onchange={(e) => loop.open(shelf.number, Number(e.currentTarget.value))}
        >
          {#each openings as opening (opening)}<option value={String(opening)}>{lengthText(opening)}</option
            >{/each}
        </select>
      {/if}
    </span>
  </div>
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div onkeydown={keys}>
    <ShelfPlan
      {packing}
      {shelf}
      lots={loop.lots}
      {shades}
      {turned}
      raw={loop.isRaw}
      above={above?.props ?? []}
      broken={loop.broken}
      {chosen}
      onchoose={(i) => (chosen = i)}
      onmove={(i, x, y) => loop.move(shelf.number, i, x, y)}
    />
  </div>
  {#if piece && chosen !== null}
    {@const at = chosen}
    <p class="flex flex-wrap items-center gap-x-2 gap-y-1" data-testid="piece-tools">
      <b>{lot?.what || 'this piece'}</b>
      {#if quarter}<button class="btn btn-sm btn-paper" title="T" onclick={turn}
          ><RotateCw size={14} /> Turn</button
        >{/if}
      <button
        class="btn btn-sm btn-paper"
        title="L"
        aria-pressed={piece.held === true}
        onclick={() => loop.hold(shelf.number, at, !piece.held)}
        >{#if piece.held}<Lock size={14} /> Locked{:else}<LockOpen size={14} /> Lock{/if}</button
      >
      {#if packing.shelves.length > 1}
        <label class="text-soft flex items-center gap-1"
          >to shelf <select
            class="select select-sm w-auto"
            value={String(shelf.number)}
            onchange={(e) => {
              loop.send(shelf.number, at, Number(e.currentTarget.value));
              onshelf(Number(e.currentTarget.value));
              chosen = null;
            }}
          >
            {#each packing.shelves as other (other.number)}<option value={String(other.number)}
                >{other.number}</option
              >{/each}
          </select></label
        >
      {/if}
    </p>
  {:else}
    <p class="text-soft text-[12.5px]">
      The front is at the bottom. Drag a piece, or move it with the arrow keys.
    </p>
  {/if}
</div>
