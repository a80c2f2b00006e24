<script lang="ts">
  import { glowAt } from '$lib/chart/glow';
  import { toUnit } from '$lib/units';

  /** A kiln drawn small, its chamber glowing as it is now. */
  interface Props {
    celsius: number | null;
    /** Something stands in it. */
    loaded?: boolean;
  }
  const { celsius, loaded = false }: Props = $props();
  const glow = $derived(celsius === null || celsius < 480 ? '#221b16' : glowAt(toUnit(celsius, 'C'), 'C'));
  const strength = $derived(celsius === null ? 0 : Math.min(1, Math.max(0, (celsius - 480) / 700)));
  const ware = $derived(celsius !== null && celsius >= 480 ? glow : '#8d8078');
</script>

<svg viewBox="0 0 120 140" width="100%" aria-hidden="true">
  <rect x="6" y="8" width="108" height="14" rx="5" fill="#b7a183" />
  <rect x="10" y="22" width="100" height="112" rx="4" fill="#cdb9a0" />
  <rect x="22" y="28" width="76" height="100" rx="3" fill="#1b1512" />
  <rect x="22" y="28" width="76" height="100" rx="3" fill={glow} fill-opacity={0.12 + 0.5 * strength} />
  {#each [42, 60, 78, 96, 114] as y (y)}
    <circle cx="25.5" cy={y} r="2" fill={strength > 0 ? glow : '#6a5747'} /><circle
      cx="94.5"
      cy={y}
      r="2"
      fill={strength > 0 ? glow : '#6a5747'}
    />
  {/each}
  {#if loaded}
    {#each [56, 90, 124] as y, i (y)}
      <rect x="29" {y} width="62" height="3.5" fill="#e2d3bd" />
      {#if i === 0}
        <path d="M44 56c-8-4-6-14 0-16v-6h6v6c6 2 8 12 0 16z" fill={ware} /><path
          d="M66 56l3-11 3 11zM74 56l3-9 3 9z"
          fill="#f3e6cf"
        />
      {:else if i === 1}
        <path
          d="M34 76h16c0 9-3 14-8 14s-8-5-8-14zM56 74h13v16H56zM75 76h14c0 9-3 14-7 14s-7-5-7-14z"
          fill={ware}
        />
      {:else}
        <path d="M33 110h12v14H33zM50 110h12v14H50zM68 116h20c-2 6-5 8-10 8s-8-2-10-8z" fill={ware} />
      {/if}
    {/each}
  {/if}
  <rect x="90" y="74" width="22" height="2.5" fill="#f1e6d8" />
</svg>
