<script lang="ts">
  import { coneOutline, coneTip } from '$lib/cones';
  import type { ConeRead } from './reading-draft.svelte';
  import { bendWords, flat, readBend, standing } from './words';

  /** The cones of one pack: each bent by dragging its tip, by arrow keys, or by typing where it points. */
  interface Props {
    shelf: string;
    cones: readonly ConeRead[];
    goal: string | null;
    /** What each should have done, degrees, by number of the cone. */
    expected?: Record<string, number>;
    disabled?: boolean;
    onbend: (cone: string, bend: number) => void;
  }
  const { shelf, cones, goal, expected = {}, disabled = false, onbend }: Props = $props();

  const ground = 84;
  const apart = 92;
  const width = $derived(Math.max(2, cones.length) * apart + 20);
  const at = (i: number) => 78 + i * apart;
  let svg: SVGSVGElement | undefined = $state();
  let dragging: number | null = $state(null);
  let wrong: string | null = $state(null);

  function follow(event: PointerEvent) {
    const cone = dragging === null ? undefined : cones[dragging];
    if (!svg || !cone || dragging === null) return;
    const box = svg.getBoundingClientRect();
    const scale = width / box.width;
    const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale + 6];
    const angle = (Math.atan2(at(dragging) - x, ground - y) * 180) / Math.PI;
    // Under the plaque it lies.
    const bend = angle < 0 ? (angle < -90 ? flat : standing) : y > ground ? flat : Math.max(standing, angle);
    onbend(cone.cone, Math.round(bend));
  }

  function press(event: KeyboardEvent, cone: ConeRead) {
    const steps: Record<string, number> = {
      ArrowRight: -3,
      ArrowUp: -3,
      ArrowLeft: 3,
      ArrowDown: 3,
      PageUp: -15,
      PageDown: 15
    };
    const step = steps[event.key];
    const next =
      event.key === 'Home'
        ? standing
        : event.key === 'End'
          ? flat
          : step === undefined
            ? null
            : cone.bendDegrees + step;
    if (next === null) return;
    event.preventDefault();
    onbend(cone.cone, Math.min(flat, Math.max(standing, next)));
  }

  function type(cone: ConeRead, text: string) {
    const bend = readBend(text);
    wrong = bend === null ? cone.cone : null;
    if (bend !== null) onbend(cone.cone, bend);
  }
</script>

<div class="pack" data-testid="pack" data-shelf={shelf}>
  <svg
    bind:this={svg}
    viewBox="0 6 {width} 90"
    style:max-width="{width}px"
    onpointermove={follow}
    onpointerup={() => (dragging = null)}
    onpointercancel={() => (dragging = null)}
    role="group"
    aria-label="Cones on {shelf}"
  >
    <rect x="8" y={ground} width={width - 16} height="8" rx="3" class="plaque" />
    {#each cones as cone, i (cone.cone)}
      {@const tip = coneTip(at(i), cone.bendDegrees)}
      {#if expected[cone.cone] !== undefined}
        <path d={coneOutline(at(i), expected[cone.cone] ?? 0)} class="expected" />
      {/if}
      <path d={coneOutline(at(i), cone.bendDegrees)} class={['cone', cone.cone === goal && 'goal']} />
      <circle
        cx={tip.x}
        cy={tip.y}
        r="15"
        class="tip"
        role="slider"
        tabindex={disabled ? -1 : 0}
        aria-label="Cone {cone.cone} on {shelf}"
        aria-valuemin={standing}
        aria-valuemax={flat}
        aria-valuenow={Math.round(cone.bendDegrees)}
        aria-valuetext={bendWords(cone.bendDegrees)}
        aria-disabled={disabled}
        onpointerdown={(e) => {
          if (disabled) return;
          dragging = i;
          svg?.setPointerCapture(e.pointerId);
        }}
        onkeydown={(e) => !disabled && press(e, cone)}
      />
    {/each}
  </svg>
  <div class="words" style:grid-template-columns="repeat({cones.length}, {apart}px)">
    {#each cones as cone (cone.cone)}
      <label>
        <b class={cone.cone === goal ? 'goal' : ''}>{cone.cone}</b>
        <input
          class="word-field text-[13px]"
          aria-label="Where cone {cone.cone} on {shelf} points"
          autocomplete="off"
          aria-invalid={wrong === cone.cone}
          title="Like the hand of a clock: 3, half past 4, down, flat, stands"
          {disabled}
          value={bendWords(cone.bendDegrees)}
          onchange={(e) => {
            type(cone, e.currentTarget.value);
            if (wrong !== cone.cone) e.currentTarget.value = bendWords(cone.bendDegrees);
          }}
        />
      </label>
    {/each}
  </div>
  {#if wrong}<p class="text-error text-[13px]" role="alert">
      Like the hand of a clock: 3, half past 4, down, flat or stands.
    </p>{/if}
</div>

<style>
  /* On the dark of the kiln in both themes. */
  .goal {
    color: #f6a06a;
  }
  svg {
    display: block;
    width: 100%;
    touch-action: none;
  }
  .plaque {
    fill: #4a3d33;
  }
  .cone {
    fill: #e6d3bb;
    stroke: #7d6b58;
    stroke-linejoin: round;
    pointer-events: none;
  }
  .goal {
    fill: #f0b67a;
  }
  .expected {
    fill: none;
    stroke: #b9a58d;
    stroke-dasharray: 3 4;
    pointer-events: none;
  }
  .tip {
    fill: #fff2d8;
    fill-opacity: 0.08;
    stroke: #fff2d8;
    stroke-opacity: 0.55;
    cursor: grab;
  }
  .tip:focus-visible {
    outline: none;
    stroke: #f0935a;
    stroke-width: 3;
    stroke-opacity: 1;
  }
  .words {
    display: grid;
    padding-left: 20px;
  }
  label {
    display: flex;
    flex-direction: column;
    align-items: center;
    line-height: 1.2;
  }
  .word-field {
    color: inherit;
    width: 86px;
    min-height: 26px;
  }
</style>
