<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { ScheduleBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration } from '$lib/format';

  import { firedAt } from './queries';

  interface Props {
    wanted: readonly { minute: number; temperature: number }[];
    schedule: ScheduleBody;
  }
  /** The firing of what was really entered, in half a minute; the wanted curve stands beside it. */
  const { wanted, schedule }: Props = $props();

  const seconds = 30;
  const fired = createQuery(() => firedAt(null, schedule));
  const still = globalThis.matchMedia?.('(prefers-reduced-motion: reduce)').matches ?? false;
  let share = $state(0);
  let frame = 0;

  $effect(() => {
    if (!fired.data) return;
    share = still ? 1 : 0;
    const began = performance.now();
    const run = (now: number) => {
      share = Math.min(1, (now - began) / (seconds * 1000));
      if (share < 1) frame = requestAnimationFrame(run);
    };
    if (!still) frame = requestAnimationFrame(run);
    return () => cancelAnimationFrame(frame);
  });

  function toTheEnd() {
    cancelAnimationFrame(frame);
    share = 1;
  }

  const end = $derived(fired.data?.poweredMinutes ?? 0);
  const minute = $derived(share * end);
  const soFar = $derived.by(() => {
    const curve = fired.data?.curve ?? [];
    const after = curve.findIndex((p) => p.minute > minute);
    if (after <= 0) return [...curve];
    const [a, b] = [curve[after - 1], curve[after]];
    if (!a || !b) return [...curve];
    const temperature =
      a.temperature + ((b.temperature - a.temperature) * (minute - a.minute)) / (b.minute - a.minute || 1);
    return [...curve.slice(0, after), { ...b, minute, temperature }];
  });
  const unit = $derived(schedule.unit ?? 'C');
</script>

{#if fired.data}
  <div class="grid gap-1" data-testid="simulated">
    <FiringChart
      curve={soFar}
      other={wanted.map((p) => ({ ...p, segment: 0 }))}
      {unit}
      height={190}
      label="What was entered, fired: top {degrees(fired.data.peak, unit)}"
    />
    <p class="flex gap-3 text-[13.5px]">
      <span class="flex-1"
        >After {duration(minute)}: {degrees(soFar.at(-1)?.temperature ?? 20, unit)}. Top {degrees(
          fired.data.peak,
          unit
        )}, power on for {duration(end)}. Dotted: as it should be.</span
      >
      {#if share < 1}<button class="link" onclick={toTheEnd}>To the end</button>{/if}
    </p>
  </div>
{/if}
