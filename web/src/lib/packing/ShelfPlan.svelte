<script lang="ts">
  import type { Lot, Packing, PlacedShelf } from '$lib/api/client';
  import { drawn } from './silhouette';
  import { standOf } from './standing';

  /** A shelf from above, the front at the bottom; pieces can be dragged, or moved with the arrow keys. */
  interface Props {
    packing: Packing;
    shelf: PlacedShelf;
    lots: readonly Lot[];
    shades: readonly string[];
    turned?: boolean;
    raw?: boolean;
    broken?: readonly string[];
    /** The props on it that carry the next shelf. */
    above: PlacedShelf['props'];
    onmove?: (piece: number, x: number, y: number) => void;
    /** The piece somebody works with. */
    chosen?: number | null;
    onchoose?: (piece: number) => void;
  }
  const {
    packing,
    shelf,
    lots,
    shades,
    turned = false,
    raw = false,
    broken = [],
    above,
    onmove,
    chosen = null,
    onchoose
  }: Props = $props();

  const chamber = $derived(packing.chamber);
  const [wide, deep] = $derived([chamber.width ?? 0, chamber.depth ?? chamber.width ?? 0]);
  const round = $derived(chamber.shape !== 'rectangle');
  const pieces = $derived(lots.map((l) => drawn(l.piece)));
  const grain = 5;
  let svg: SVGSVGElement;
  let dragged: { piece: number; dx: number; dy: number; x: number; y: number } | null = $state(null);

  /** The front is at the bottom of the picture. */
  const outline = $derived((shelf.outline ?? []).map((v, i) => (i % 2 ? -v : v)).join(' '));

  function at(event: PointerEvent) {
    const matrix = svg.getScreenCTM()?.inverse();
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { x: p.x, y: -p.y };
  }

  function down(event: PointerEvent, piece: number) {
    if (!onmove) return;
    onchoose?.(piece);
    const [p, stands] = [at(event), shelf.pieces[piece]];
    if (!stands) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragged = { piece, dx: stands.x - p.x, dy: stands.y - p.y, x: stands.x, y: stands.y };
  }

  function move(event: PointerEvent) {
    if (!dragged) return;
    const p = at(event);
    dragged = { ...dragged, x: p.x + dragged.dx, y: p.y + dragged.dy };
  }

  /** A press that hardly moved is no move. */
  const leastMoved = 2;

  function up() {
    const stands = dragged && shelf.pieces[dragged.piece];
    if (dragged && stands && Math.hypot(dragged.x - stands.x, dragged.y - stands.y) >= leastMoved)
      onmove?.(dragged.piece, Math.round(dragged.x), Math.round(dragged.y));
    dragged = null;
  }

  function keys(event: KeyboardEvent, piece: number) {
    const by = {
      ArrowLeft: [-grain, 0],
      ArrowRight: [grain, 0],
      ArrowUp: [0, grain],
      ArrowDown: [0, -grain]
    }[event.key];
    const stands = shelf.pieces[piece];
    if (!by || !stands || !onmove) return;
    event.preventDefault();
    onmove(piece, stands.x + (by[0] ?? 0), stands.y + (by[1] ?? 0));
  }
</script>

<svg
  bind:this={svg}
  viewBox="{-wide / 2 - 14} {-deep / 2 - 14} {wide + 28} {deep + 28}"
  role="group"
  aria-label="Shelf {shelf.number} from above"
  data-testid="shelf-plan"
>
  {#if round}<ellipse cx="0" cy="0" rx={wide / 2} ry={deep / 2} class="inside" />{:else}<rect
      x={-wide / 2}
      y={-deep / 2}
      width={wide}
      height={deep}
      class="inside"
    />{/if}
  <polygon points={outline} class="slab" />
  {#if chamber.thermocouple}<circle
      cx="0"
      cy={-(deep / 2 - (chamber.thermocouple.reach ?? 0))}
      r="7"
      class="tip"
    />{/if}
  {#if shelf.pack}
    <path d="M0 {deep / 2}L{shelf.pack.x} {-shelf.pack.y}" class="sight" />
    <rect x={shelf.pack.x - 30} y={-shelf.pack.y - 12.5} width="60" height="25" class="pack" />
  {/if}
  {#each above as prop (`${prop.x},${prop.y}`)}
    <circle cx={prop.x} cy={-prop.y} r={packing.propAcross / 2} class="prop" />
  {/each}
  {#each shelf.pieces as stands, i (i)}
    {@const size = pieces[stands.lot]}
    {#if size}
      {@const place = standOf(
        dragged?.piece === i ? { ...dragged, turn: stands.turn } : stands,
        size,
        turned,
        raw
      )}
      <g
        transform="translate({place.x} {-place.y}) rotate({-place.turn})"
        class={[
          'piece',
          broken.includes(`${shelf.number}:${i}`) && 'wrong',
          onmove && 'movable',
          chosen === i && 'chosen'
        ]}
        fill={shades[stands.lot]}
        role="button"
        aria-disabled={!onmove}
        tabindex={onmove ? 0 : -1}
        aria-label="{lots[stands.lot]?.what ?? 'piece'}{stands.stack > 1
          ? `, ${stands.stack} on one another`
          : ''}{stands.held ? ', locked' : ''}"
        onfocus={() => onchoose?.(i)}
        onpointerdown={(e) => down(e, i)}
        onpointermove={move}
        onpointerup={up}
        onkeydown={(e) => keys(e, i)}
      >
        {#if size.shape === 'rectangle'}
          <rect x={-size.across / 2} y={-size.deep / 2} width={size.across} height={size.deep} rx="4" />
        {:else}
          {#if size.handle > 0}<rect
              x={size.across / 2 - 10}
              y="-10"
              width={size.handle + 10}
              height="20"
              rx="10"
            />{/if}
          <circle r={size.across / 2} />
        {/if}
        {#if stands.held}<circle r={Math.min(size.across, size.deep) / 5} class="held" />{/if}
        {#if stands.stack > 1}<text y="9" text-anchor="middle" transform="rotate({place.turn})"
            >{stands.stack}</text
          >{/if}
      </g>
    {/if}
  {/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-height: 330px;
    touch-action: pan-y;
  }
  .inside {
    fill: #221b16;
  }
  .slab {
    fill: #d9c9b2;
  }
  .tip {
    fill: #e8d9c4;
    stroke: #221b16;
    stroke-width: 2;
  }
  .sight {
    stroke: #f0b27a;
    stroke-width: 5;
    stroke-dasharray: 9 7;
  }
  .pack {
    fill: #fff2d8;
    stroke: #221b16;
    stroke-width: 2;
  }
  .prop {
    fill: #8d7a66;
  }
  .piece {
    stroke: #221b16;
    stroke-width: 2;
  }
  .movable {
    cursor: grab;
    touch-action: none;
  }
  .held {
    fill: none;
    stroke-dasharray: 5 4;
  }
  .chosen,
  .movable:focus-visible {
    outline: none;
    stroke: #fff;
    stroke-width: 6;
  }
  .wrong {
    stroke: #d8290d;
    stroke-width: 7;
  }
  text {
    fill: #221b16;
    font-size: 28px;
    font-weight: 700;
    stroke: none;
  }
</style>
