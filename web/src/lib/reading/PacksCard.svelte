<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { apartBy, heat } from '$lib/scales';
  import PackEditor from './PackEditor.svelte';
  import PacksSay from './PacksSay.svelte';
  import type { ReadingDraft, Shelf } from './reading-draft.svelte';
  import { alongWith, past, shelfWords, standing } from './words';

  /** The kiln in section with its shelves, a pack on each: what every shelf got, how even it was, what the display is off by. */
  interface Props {
    draft: ReadingDraft;
    /** Shelves as it was packed, where that is known. */
    numbers?: readonly number[];
    closed: boolean;
  }
  const { draft, numbers = [], closed }: Props = $props();

  const view = $derived(draft.view);
  const said = $derived(view.said);
  const shelves = $derived<Shelf[]>(
    numbers.length > 1 && draft.packs.every((p) => /^\d+$/.test(String(p.shelf)))
      ? [...numbers].sort((a, b) => b - a)
      : (view.shelves as unknown as Shelf[])
  );
  const usual = $derived(view.expected.map((e) => e.cone));
  const expected = $derived(Object.fromEntries(view.expected.map((e) => [e.cone, e.logged ?? e.planned])));
  const heatOf = (shelf: Shelf) => said.offsets.find((o) => String(o.shelf) === String(shelf));
  /** A pack is told where it is refused: packs[2].cones[1].bendDegrees. */
  const trouble = (shelf: Shelf) => {
    const at = draft.packs.findIndex((p) => String(p.shelf) === String(shelf));
    return Object.entries(draft.errors).find(([field]) => field.startsWith(`packs[${at}]`))?.[1];
  };
  const goal = $derived(view.goalCone);
  /** Shelves whose pack somebody has begun to read, with the cones read so far: nothing is saved before one is bent, and the others go along with it until they are bent themselves. */
  let begun: Record<string, string[]> = $state({});
  const upright = $derived(usual.map((cone) => ({ cone, bendDegrees: standing })));

  function bend(shelf: Shelf, cone: string, degrees: number) {
    const key = String(shelf);
    if (!draft.packOf(shelf)) draft.addPack(shelf, upright);
    draft.bend(shelf, cone, degrees);
    const read = begun[key];
    if (!read) return;
    if (!read.includes(cone)) begun[key] = [...read, cone];
    const own = expected[cone];
    for (const other of draft.packOf(shelf)?.cones ?? []) {
      const wanted = expected[other.cone];
      if (read.includes(other.cone) || other.cone === cone || !own || !wanted) continue;
      draft.bend(shelf, other.cone, alongWith(degrees, own, wanted));
    }
  }
</script>

<section class="kiln" aria-label="What the cones say" data-testid="packs">
  <h2>What the cones say</h2>
  {#each shelves as shelf (shelf)}
    {@const pack = draft.packOf(shelf)}
    {@const got = heatOf(shelf)}
    <div class="shelf">
      <div class="name">
        <b>{shelfWords(shelf)}</b>
        {#if pack && got}
          <span class="got" data-testid="heat-{shelf}"
            >{#if got.past !== null}{got.bound < 0 ? 'at most ' : got.bound > 0 ? 'at least ' : ''}{past(
                got.past
              )}{:else}{heat(got.equivalent)}{/if}</span
          >
          <span class="faint">{got.bound === 0 ? `± ${apartBy(got.tolerance)} of cone` : 'of cone'}</span>
        {/if}
        {#if pack && !closed}<button
            class="take"
            aria-label="Take the pack of {shelfWords(shelf).toLowerCase()} away"
            onclick={() => {
              draft.removePack(shelf);
              begun = Object.fromEntries(Object.entries(begun).filter(([key]) => key !== String(shelf)));
            }}><X size={15} /></button
          >{/if}
      </div>
      {#if pack || begun[String(shelf)]}
        <PackEditor
          shelf={shelfWords(shelf).toLowerCase()}
          cones={pack?.cones ?? upright}
          {goal}
          {expected}
          disabled={closed}
          onbend={(cone, degrees) => bend(shelf, cone, degrees)}
        />
        {#if trouble(shelf)}<p class="wrong" role="alert">{trouble(shelf)}</p>{/if}
      {:else if closed}
        <p class="faint">No pack was read here.</p>
      {:else if usual.length > 0}
        <button class="add" onclick={() => (begun[String(shelf)] = [])}
          >Read a pack here: {usual.join(' · ')}</button
        >
      {:else}
        <p class="faint">This firing has no goal cone to go by.</p>
      {/if}
    </div>
  {/each}
  <PacksSay {view} />
</section>

<style>
  .kiln {
    background: #171310;
    color: #f1e6d8;
    border: 10px solid #cdb9a0;
    border-bottom-width: 14px;
    border-radius: 90px 90px 10px 10px / 46px 46px 10px 10px;
    padding: 14px 18px 12px;
    display: grid;
    gap: 4px;
  }
  h2 {
    font-size: 17px;
    text-align: center;
  }
  .shelf {
    display: grid;
    grid-template-columns: 108px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
    border-bottom: 5px solid #5c4d40;
    padding: 2px 0 6px;
    min-height: 74px;
  }
  .name {
    display: grid;
    gap: 1px;
    position: relative;
  }
  .got {
    font-size: 19px;
    font-weight: 700;
    color: #ffd9ae;
  }
  .faint {
    color: #b9a893;
    font-size: 12.5px;
  }
  .take {
    position: absolute;
    right: 0;
    top: 0;
    min-width: 28px;
    min-height: 28px;
    color: #b9a893;
    cursor: pointer;
  }
  .add {
    min-height: 48px;
    border: 1.5px dashed #6d5d4e;
    border-radius: 10px;
    color: #f0c89c;
    cursor: pointer;
  }
  .wrong {
    grid-column: 1 / -1;
    color: #ff9d7d;
    font-size: 13px;
  }
  @media screen and (max-width: 767px) {
    .kiln {
      padding: 12px 8px;
      border-width: 6px;
    }
    .shelf {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
