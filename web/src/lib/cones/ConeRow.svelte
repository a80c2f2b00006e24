<script lang="ts">
  import type { ConeReading } from '$lib/api/client';
  import { coneOutline } from './outline';

  interface Props {
    cones: readonly ConeReading[];
    goal: string | null;
  }
  const { cones, goal }: Props = $props();
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
      d={coneOutline(x, cone.bendDegrees)}
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
