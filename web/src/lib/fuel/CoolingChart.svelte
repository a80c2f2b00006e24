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
        c.damper === 0 ? 'closed up' : c.damper === 1 ? 'wide open' : `damper ${number(c.damper * 100)} %`,
      points: c.curve.map((p): [number, number] => [p.minute / 60, p.temperature])
    }))
  );
  const top = $derived(Math.max(...lines.flatMap((l) => l.points.map((p) => p[1]))));
  const mark = $derived(unit === 'C' ? 500 : 932);
  const to = (line: (typeof lines)[number]) => line.points.find((p) => p[1] <= mark)?.[0];
</script>

<figure>
  <FamilyChart
    {lines}
    title="°{unit}, hours after a full glaze firing"
    label="Cooling by damper. To {degrees(mark, unit)}: {lines
      .map((l) => `${l.name} ${duration((to(l) ?? 0) * 60)}`)
      .join(', ')}"
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
