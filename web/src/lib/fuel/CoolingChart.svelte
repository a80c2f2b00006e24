<script lang="ts">
  import type { KilnPortrait } from '$lib/api/client';
  import { degrees, duration, number } from '$lib/format';
  import FamilyChart from './FamilyChart.svelte';

  /** How a gas kiln cools after a glaze firing, by where its damper is left. */
  interface Props {
    coolings: NonNullable<KilnPortrait['coolings']>;
    unit: 'C' | 'F';
  }
  const { coolings, unit }: Props = $props();
  const hours = 24;
  const lines = $derived(
    coolings.map((c) => ({
      name:
        c.damper === 0 ? 'closed up' : c.damper === 1 ? 'damper open' : `damper ${number(c.damper * 100)} %`,
      points: c.curve.map((p): [number, number] => [p.minute / 60, p.temperature])
    }))
  );
  const top = $derived(Math.max(...lines.flatMap((l) => l.points.map((p) => p[1]))));
  const mark = $derived(unit === 'C' ? 500 : 932);
  const told = $derived(
    lines.map((l) => {
      const below = l.points.findIndex((p) => p[1] <= mark);
      const [before, after] = [l.points[below - 1], l.points[below]];
      const to =
        before && after
          ? before[0] + ((after[0] - before[0]) * (before[1] - mark)) / (before[1] - after[1])
          : null;
      return { ...l, name: to ? `${l.name}: ${degrees(mark, unit)} after ${duration(to * 60)}` : l.name };
    })
  );
</script>

<figure>
  <FamilyChart
    lines={told}
    listed
    title="°{unit}, hours after a full glaze firing"
    label="Cooling by damper. {told.map((l) => l.name).join('; ')}"
    across={{ most: hours, text: (t) => `${number(t, 0)} h` }}
    up={{ least: 0, most: top }}
    colours="cool"
  />
  <figcaption class="text-soft text-[12.5px]">
    Open it falls fast: ware and shelves can crack. Shut flue and ports again by about {degrees(
      unit === 'C' ? 1000 : 1832,
      unit
    )}, and keep off the hot gas at flue and ports.
  </figcaption>
</figure>
