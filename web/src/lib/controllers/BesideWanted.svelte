<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { LoadBody, ScheduleBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration } from '$lib/format';
  import { firedAt } from './queries';

  interface Props {
    wanted: ScheduleBody;
    fired: ScheduleBody;
    kilnId: number;
    load?: LoadBody | null | undefined;
  }
  /** A firing as it would be, beside the one that was wanted. */
  const { wanted, fired, kilnId, load }: Props = $props();

  const one = createQuery(() => firedAt(kilnId, fired, load));
  const other = createQuery(() => firedAt(kilnId, wanted, load));
  /** What differs, and by how much. */
  const said = $derived.by(() => {
    const [a, b] = [one.data, other.data];
    if (!a || !b) return '';
    const parts = [
      Math.abs(a.peak - b.peak) >= 0.5
        ? `top ${degrees(a.peak, a.unit)} instead of ${degrees(b.peak, b.unit)}`
        : `top ${degrees(a.peak, a.unit)} as before`,
      Math.abs(a.poweredMinutes - b.poweredMinutes) >= 1
        ? `power on for ${duration(a.poweredMinutes)} instead of ${duration(b.poweredMinutes)}`
        : null
    ].filter((part) => part !== null);
    return parts.join(', ').replace(/^./, (c) => c.toUpperCase());
  });
  const unit = $derived(one.data?.unit ?? 'C');
</script>

{#if one.data && other.data && one.data.unit === other.data.unit}
  <FiringChart
    curve={one.data.curve}
    other={other.data.curve}
    {unit}
    bands={one.data.bands}
    poweredMinutes={one.data.poweredMinutes}
    height={200}
    label="As it was read: top {degrees(one.data.peak, unit)}"
  />
{/if}
{#if said}<p class="text-soft text-[13px]">{said}. Dotted: as it was set.</p>{/if}
