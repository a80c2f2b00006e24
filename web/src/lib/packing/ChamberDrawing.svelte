<script lang="ts">
  import type { Chamber } from '$lib/api/client';

  /** The empty kiln in section; peepholes and the thermocouple go up and down by dragging or with the arrow keys. */
  const { chamber, onmove }: { chamber: Chamber; onmove: (change: Partial<Chamber>) => void } = $props();

  const [wide, tall] = $derived([chamber.width ?? 500, chamber.height ?? 500]);
  const brick = 42;
  const grain = 5;
  const full = $derived((chamber.shelves ?? []).find((s) => s && !s.half) ?? chamber.shelves?.[0]);
  let svg: SVGSVGElement;
  let dragged: { what: number | 'tip'; z: number } | null = $state(null);

  function z(event: PointerEvent) {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse());
    return Math.round(Math.min(tall - grain, Math.max(grain, -p.y)) / grain) * grain;
  }

  function down(event: PointerEvent, what: number | 'tip') {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragged = { what, z: z(event) };
  }

  function set(what: number | 'tip', to: number) {
    if (what === 'tip') onmove({ thermocouple: { z: to, reach: chamber.thermocouple?.reach ?? 30 } });
    else onmove({ peepholes: (chamber.peepholes ?? []).map((p, i) => (i === what ? to : p)) });
  }

  function up() {
    if (dragged) set(dragged.what, dragged.z);
    dragged = null;
  }

  function keys(event: KeyboardEvent, what: number | 'tip', now: number) {
    const by = { ArrowUp: grain, ArrowDown: -grain }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    set(what, now + by);
  }
  const shown = (what: number | 'tip', now: number) => (dragged?.what === what ? dragged.z : now);
</script>

<svg
  bind:this={svg}
  viewBox="{-wide / 2 - brick} {-tall - brick} {wide + 2 * brick} {tall + 2 * brick}"
  role="group"
  aria-label="The kiln in section"
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
  {#if full}<rect
      x={-(full.width ?? 0) / 2}
      y={-(chamber.raise ?? 0) - (full.thickness ?? 0)}
      width={full.width ?? 0}
      height={full.thickness ?? 0}
      class="slab"
    />{/if}
  {#each chamber.peepholes ?? [] as hole, i (i)}
    {@const at = shown(i, hole)}
    <g
      role="slider"
      tabindex="0"
      aria-label="Peephole {i + 1}"
      aria-valuenow={at}
      aria-valuemin={0}
      aria-valuemax={tall}
      onpointerdown={(e) => down(e, i)}
      onpointermove={(e) => dragged && (dragged = { ...dragged, z: z(e) })}
      onpointerup={up}
      onkeydown={(e) => keys(e, i, hole)}
    >
      <circle cx="0" cy={-at} r="17" class="peephole" />
      <text x="30" y={-at + 10}>{at}</text>
    </g>
  {/each}
  {#if chamber.thermocouple}
    {@const at = shown('tip', chamber.thermocouple.z ?? 0)}
    <g
      role="slider"
      tabindex="0"
      aria-label="Thermocouple"
      aria-valuenow={at}
      aria-valuemin={0}
      aria-valuemax={tall}
      onpointerdown={(e) => down(e, 'tip')}
      onpointermove={(e) => dragged && (dragged = { ...dragged, z: z(e) })}
      onpointerup={up}
      onkeydown={(e) => keys(e, 'tip', chamber.thermocouple?.z ?? 0)}
    >
      <circle cx={-wide / 4} cy={-at} r="12" class="tip" />
      <path d="M{-wide / 4 - 22} {-at}h44M{-wide / 4} {-at - 22}v44" class="tip" />
      <text x={-wide / 4 + 30} y={-at + 30}>{at}</text>
    </g>
  {/if}
</svg>

<style>
  svg {
    width: 100%;
    max-height: 260px;
  }
  .brick {
    fill: #cdb9a0;
  }
  .inside {
    fill: #221b16;
  }
  .slab {
    fill: #d9c9b2;
  }
  g {
    cursor: ns-resize;
    touch-action: none;
  }
  g:focus-visible {
    outline: 4px solid #f0b27a;
  }
  .peephole {
    fill: #221b16;
    stroke: #b59d84;
    stroke-width: 5;
  }
  .tip {
    fill: none;
    stroke: #e8d9c4;
    stroke-width: 5;
  }
  text {
    fill: #d8cbbb;
    font-size: 30px;
  }
</style>
