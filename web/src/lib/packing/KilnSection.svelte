<script lang="ts">
  import type { Lot, Packing } from '$lib/api/client';
  import { lengthText } from '$lib/fields/length-text';
  import { drawn, side } from './silhouette';
  import { standOf } from './standing';

  /** The kiln in section, from the front: shelves on their props, pieces as silhouettes, packs, peepholes and the thermocouple. */
  interface Props {
    packing: Packing;
    lots: readonly Lot[];
    shades: readonly string[];
    /** Handles stand as the packer turned them. */
    turned?: boolean;
    raw?: boolean;
    selected?: number | null;
    /** Pieces that break a rule, as shelf:piece. */
    broken?: readonly string[];
    onselect?: (shelf: number) => void;
  }
  const {
    packing,
    lots,
    shades,
    turned = false,
    raw = false,
    selected = null,
    broken = [],
    onselect
  }: Props = $props();

  const chamber = $derived(packing.chamber);
  const [wide, tall] = $derived([chamber.width ?? 0, chamber.height ?? 0]);
  const brick = 42;
  const margin = $derived(wide * 0.18);
  /** Words keep their size on the page, however wide the kiln. */
  const letters = $derived(Math.max(22, wide * 0.044));
  const shelves = $derived(packing.shelves);
  const edges = (shelf: Packing['shelves'][number]) => {
    const { x = 0, width = wide * 0.9 } = shelf.place ?? {};
    return { left: x - width / 2, width };
  };
  /** Shelves at one height are named together, once. */
  const sameLevel = 20;
  const level = (shelf: Packing['shelves'][number]) =>
    shelves.filter((s) => Math.abs(s.z - shelf.z) < sameLevel);
  const pieces = $derived(lots.map((l) => drawn(l.piece)));
  /** From the back to the front, so that what is nearer covers what is behind. */
  const fromBehind = (shelf: Packing['shelves'][number]) =>
    shelf.pieces.map((piece, i) => ({ piece, i })).sort((a, b) => b.piece.y - a.piece.y);
  const upTo = (n: number) => Array.from({ length: n }, (_, k) => k);
  const name = $derived(
    `The kiln in section: ${packing.totals.pieces} pieces on ${packing.totals.shelves} shelves, ${Math.round(packing.totals.share * 100)} % full`
  );
</script>

<svg
  viewBox="{-wide / 2 - brick} {-tall - brick} {wide + 2 * brick + margin} {tall + 2 * brick}"
  role={onselect ? 'group' : 'img'}
  aria-label={name}
  data-testid="section"
>
  <rect
    x={-wide / 2 - brick}
    y={-tall - brick}
    width={wide + 2 * brick}
    height={tall + 2 * brick}
    rx="16"
    class="brick"
  />
  <rect x={-wide / 2} y={-tall} width={wide} height={tall} class="inside" />
  {#each chamber.peepholes ?? [] as z (z)}
    <circle cx="0" cy={-z} r="13" class="peephole" />
  {/each}
  {#if chamber.thermocouple}
    <g class="tip"
      ><circle cx="0" cy={-(chamber.thermocouple.z ?? 0)} r="8" /><path
        d="M-16 {-(chamber.thermocouple.z ?? 0)}h32M0 {-(chamber.thermocouple.z ?? 0) - 16}v32"
      /></g
    >
  {/if}
  {#each shelves as shelf (shelf.number)}
    {#each shelf.props as prop (`${prop.x},${prop.y}`)}
      {@const h = prop.heights.reduce((a, b) => a + b, 0)}
      <rect
        x={prop.x - packing.propAcross / 2}
        y={-shelf.z}
        width={packing.propAcross}
        height={h}
        class="prop"
        rx="3"
      />
    {/each}
  {/each}
  {#each shelves as shelf (shelf.number)}
    {@const top = -(shelf.z + shelf.thickness)}
    {@const { left, width } = edges(shelf)}
    {@const faint = shelf.region === 'back'}
    <g
      class={['shelf', selected === shelf.number && 'selected', faint && 'behind']}
      data-shelf={shelf.number}
    >
      <rect x={left} y={-(shelf.z + shelf.thickness)} {width} height={shelf.thickness} class="slab" rx="3" />
      {#each fromBehind(shelf) as { piece, i } (i)}
        {@const size = pieces[piece.lot]}
        {#if size}
          {@const stands = standOf(piece, size, turned, raw)}
          {@const across = Math.cos((stands.turn * Math.PI) / 180)}
          {@const isTurned = size.shape === 'rectangle' && Math.abs(across) < 0.7}
          <g
            fill={shades[piece.lot]}
            class={['piece', broken.includes(`${shelf.number}:${i}`) && 'wrong']}
            fill-opacity={0.62 + 0.38 * (0.5 - piece.y / (chamber.depth ?? wide))}
          >
            {#each upTo(piece.stack) as k (k)}
              {@const y = top - k * size.step}
              {#if size.handle > 0}<path
                  d="M{stands.x + across * (size.across / 2 - 2)} {y - size.height * 0.8}q{size.handle *
                    1.25} {size.height * 0.3} 0 {size.height * 0.6}"
                  class="handle"
                  stroke={shades[piece.lot]}
                />{/if}
              <path d={side(size, stands.x, y, isTurned ? size.deep : size.across)} />
            {/each}
          </g>
        {/if}
      {/each}
      {#if shelf.pack}
        {#each [-18, 0, 18] as dx (dx)}<path
            d="M{shelf.pack.x + dx - 7} {top}h14l-7 -68z"
            class="pack"
          />{/each}
      {/if}
      {#if onselect}
        <rect
          x={shelf.column === 1 ? Math.min(left, -wide / 2) : left}
          y={top - shelf.opening}
          width={(shelves.some((s) => (s.column ?? 1) > (shelf.column ?? 1))
            ? left + width
            : wide / 2 + margin) - (shelf.column === 1 ? Math.min(left, -wide / 2) : left)}
          height={shelf.opening + shelf.thickness}
          class="press"
          role="button"
          tabindex="0"
          aria-label="Shelf {shelf.number} from above"
          aria-pressed={selected === shelf.number}
          onclick={() => onselect(shelf.number)}
          onkeydown={(e) =>
            (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onselect(shelf.number))}
        />
      {/if}
      {#if level(shelf)[0] === shelf}
        <text
          x={wide / 2 + brick + 10}
          y={top + shelf.thickness / 2 + 9}
          class="number"
          style:font-size="{letters}px"
          >{level(shelf)
            .map((s) => s.number)
            .join(' ')}</text
        >
        <text
          x={wide / 2 + brick + 10}
          y={top - shelf.opening / 2 + 7}
          class="opening"
          style:font-size="{letters * 0.8}px">{lengthText(Math.round(shelf.opening))}</text
        >
      {/if}
    </g>
  {/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-height: 460px;
  }
  .brick {
    fill: #cdb9a0;
  }
  .inside {
    fill: #221b16;
  }
  .peephole {
    fill: none;
    stroke: #8d7a66;
    stroke-width: 3;
  }
  .tip {
    fill: none;
    stroke: #e8d9c4;
    stroke-width: 3;
  }
  .slab {
    fill: #d9c9b2;
  }
  .selected .slab {
    fill: #f0b27a;
  }
  .prop {
    fill: #a3927d;
  }
  .behind {
    opacity: 0.75;
  }
  .piece {
    stroke: #221b16;
    stroke-width: 2;
  }
  .handle {
    fill: none;
    stroke-width: 9;
  }
  .wrong {
    stroke: #ff5a3c;
    stroke-width: 6;
  }
  .pack {
    fill: #fff2d8;
    stroke: #221b16;
    stroke-width: 1.5;
  }
  .press {
    fill: transparent;
    cursor: pointer;
    outline-offset: -4px;
  }
  .press:focus-visible {
    outline: 4px solid #f0b27a;
  }
  text {
    fill: var(--color-base-content);
    font-size: 26px;
  }
  .number {
    font-weight: 700;
  }
  .opening {
    fill: var(--color-soft);
    font-size: 20px;
  }
</style>
