<script lang="ts">
  import type { Preview, Unit } from '$lib/api/client';
  import { degrees, duration, number } from '$lib/format';
  import type { Frame } from './frame';

  /** What a handle asks of its step: a new target, a new length of its climb, or a new hold. */
  export type Grip =
    | { target: number }
    | { targetBy: number }
    | { rampMinutes: number }
    | { holdMinutes: number }
    | { holdBy: number };

  interface Props {
    frame: Frame;
    segments: Preview['segments'];
    /** For each segment: may its climb be stretched (it has a rate), has it a target at all. */
    grips: readonly { rate: boolean; target: boolean }[];
    unit: Unit;
    selected: number;
    onselect: (index: number) => void;
    ongrip: (index: number, grip: Grip) => void;
    /** Told the frame to hold still while dragging, and null when let go. */
    ondrag: (frame: Frame | null) => void;
  }
  const { frame, segments, grips, unit, selected, onselect, ongrip, ondrag }: Props = $props();

  let drag: {
    index: number;
    part: 'target' | 'hold';
    axis: 'x' | 'y' | null;
    x: number;
    y: number;
    frame: Frame;
  } | null = $state(null);

  const snap = (value: number, to: number) => Math.round(value / to) * to;

  function down(event: PointerEvent, index: number, part: 'target' | 'hold') {
    event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    (event.currentTarget as SVGElement).focus();
    drag = { index, part, axis: part === 'hold' ? 'x' : null, x: event.clientX, y: event.clientY, frame };
    onselect(index);
    ondrag(frame);
  }

  /** The first few pixels decide: up and down is the target, sideways the pace; never both at once by accident. */
  function move(event: PointerEvent) {
    const segment = drag && segments[drag.index];
    if (!drag || !segment) return;
    const [dx, dy] = [event.clientX - drag.x, event.clientY - drag.y];
    if (!drag.axis) {
      if (Math.hypot(dx, dy) < 4) return;
      drag.axis = Math.abs(dx) > Math.abs(dy) && grips[drag.index]?.rate ? 'x' : 'y';
    }
    const svg = (event.currentTarget as SVGElement).ownerSVGElement;
    if (!svg) return;
    const box = svg.getBoundingClientRect();
    const fine = event.shiftKey;
    if (drag.axis === 'y') {
      const target = drag.frame.y.invert(((event.clientY - box.top) / box.height) * drag.frame.height);
      ongrip(drag.index, { target: snap(target, fine ? 1 : 5) });
      return;
    }
    const minute = drag.frame.x.invert(((event.clientX - box.left) / box.width) * drag.frame.width);
    if (drag.part === 'hold') {
      const held = minute - segment.startMinute - segment.rampMinutes;
      ongrip(drag.index, { holdMinutes: Math.max(0, snap(held, fine ? 1 : 5)) });
    } else ongrip(drag.index, { rampMinutes: Math.max(2, minute - segment.startMinute) });
  }

  function up() {
    drag = null;
    ondrag(null);
  }

  function keys(event: KeyboardEvent, index: number, part: 'target' | 'hold') {
    const segment = segments[index];
    if (!segment || event.altKey || event.ctrlKey || event.metaKey) return;
    const size = event.shiftKey ? 1 : 5;
    const vertical = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    const sideways = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (!vertical && !sideways) return;
    event.preventDefault();
    if (part === 'hold') ongrip(index, { holdBy: (vertical || sideways) * size });
    else if (vertical) ongrip(index, { targetBy: vertical * size });
    else if (grips[index]?.rate)
      ongrip(index, { rampMinutes: Math.max(2, segment.rampMinutes + sideways * size) });
  }
</script>

{#each segments as segment, i (i)}
  {@const y = frame.y(segment.to)}
  {@const x = frame.x(segment.startMinute + segment.rampMinutes)}
  {#if grips[i]?.target}
    {#if segment.holdMinutes > 0}
      {@const end = frame.x(segment.endMinute)}
      <g
        class="grip hold"
        role="slider"
        tabindex="-1"
        aria-label="Hold of step {i + 1}"
        aria-valuenow={segment.holdMinutes}
        aria-valuetext={duration(segment.holdMinutes)}
        onpointerdown={(e) => down(e, i, 'hold')}
        onpointermove={move}
        onpointerup={up}
        onpointercancel={up}
        onkeydown={(e) => keys(e, i, 'hold')}
        onfocus={() => onselect(i)}
      >
        <rect x={end - 9} y={y - 12} width="18" height="24" fill="transparent" />
        <rect x={end - 3} y={y - 7} width="6" height="14" rx="3" class="mark" />
        <title>Drag sideways: hold {duration(segment.holdMinutes)}</title>
      </g>
    {/if}
    <g
      class="grip"
      class:on={selected === i}
      role="slider"
      tabindex="0"
      aria-label="Target of step {i + 1}"
      aria-valuenow={Math.round(segment.to)}
      aria-valuetext="{degrees(segment.to, unit)} after {duration(segment.startMinute + segment.rampMinutes)}"
      data-testid="handle"
      onpointerdown={(e) => down(e, i, 'target')}
      onpointermove={move}
      onpointerup={up}
      onpointercancel={up}
      onkeydown={(e) => keys(e, i, 'target')}
      onfocus={() => onselect(i)}
    >
      <circle cx={x} cy={y} r="16" fill="transparent" />
      <circle cx={x} cy={y} r="9.5" class="mark" />
      <text {x} y={y + 4} text-anchor="middle" font-size="11.5" font-weight="700" fill="#fff">{i + 1}</text>
      <title
        >Step {i + 1}: {number(segment.to)} °{unit}. Drag up or down for the target, sideways for the pace;
        Shift for fine.</title
      >
    </g>
  {/if}
{/each}

<style>
  .grip {
    cursor: grab;
    touch-action: none;
    outline: none;
  }
  .grip:active {
    cursor: grabbing;
  }
  .hold {
    cursor: ew-resize;
  }
  .mark {
    fill: #221a15;
    stroke: #d8c7b3;
    stroke-width: 1.4;
  }
  .on .mark {
    fill: #a94b25;
    stroke: #ffd9a8;
  }
  .grip:focus-visible .mark,
  .grip:hover .mark {
    stroke: #fff;
    stroke-width: 2.6;
  }
</style>
