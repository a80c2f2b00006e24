<script lang="ts">
  import type { ConeReading } from '$lib/api/client';

  interface Props {
    cones: readonly ConeReading[];
    goal: string | null;
  }
  const { cones, goal }: Props = $props();

  /**
   * A slender cone as an outline. Its middle line is an arc whose chord leans by the bend, so that at 90° the tip is level
   * with the foot, as the reading says; past that it lies on the plaque.
   */
  function outline(x: number, bend: number): string {
    const [steps, length, foot, ground] = [18, 70, 8.5, 84];
    const tip = 2 * Math.min(bend, 93) - 8;
    const left: string[] = [];
    const right: string[] = [];
    let [px, py] = [x, ground];
    for (let i = 0; i <= steps; i++) {
      const share = i / steps;
      const lean = (8 + (tip - 8) * share) * (Math.PI / 180);
      const width = foot * (1 - share) + 0.8;
      const at = (side: 1 | -1) =>
        `${(px + side * Math.cos(lean) * width).toFixed(1)} ${Math.min(ground, py - side * Math.sin(lean) * width).toFixed(1)}`;
      left.push(at(-1));
      right.unshift(at(1));
      px -= (Math.sin(lean) * length) / steps;
      py -= (Math.cos(lean) * length) / steps;
    }
    return `M${[...left, ...right].join('L')}Z`;
  }
</script>

<svg
  viewBox="0 10 270 84"
  width="100%"
  role="img"
  aria-label={cones.map((c) => `cone ${c.cone} ${c.words}`).join(', ')}
  data-testid="cone-row"
>
  <rect x="10" y="84" width="250" height="8" rx="3" fill="var(--color-base-300)" />
  {#each cones as cone, i (cone.cone)}
    {@const x = 86 + i * 84 - (cones.length === 2 ? -30 : 0)}
    <path
      d={outline(x, cone.bendDegrees)}
      fill={cone.cone === goal ? '#f0b67a' : '#e6d3bb'}
      stroke="#7d6b58"
      stroke-linejoin="round"
    />
  {/each}
</svg>
<div
  class="grid text-center text-[12.5px] leading-tight"
  style:grid-template-columns="repeat({cones.length}, 1fr)"
>
  {#each cones as cone (cone.cone)}
    <span
      ><b class={cone.cone === goal ? 'text-primary' : ''}>{cone.cone}</b>
      <span class="text-soft">{cone.words}</span></span
    >
  {/each}
</div>
