<script lang="ts">
  import type { KilnPortrait } from '$lib/api/client';
  import { number } from '$lib/format';
  import FamilyChart from './FamilyChart.svelte';
  import { marks } from './words';

  /** How fast a gas kiln climbs in the next half hour, by setting and temperature. */
  interface Props {
    settings: NonNullable<KilnPortrait['settings']>;
    unit: 'C' | 'F';
    mark: number;
  }
  const { settings, unit, mark }: Props = $props();
  const bars = $derived([...new Set(settings.map((s) => s.pressureBar))].sort((a, b) => a - b));
  const rates = $derived(settings.map((s) => s.rate));
  const lines = $derived(
    bars.map((bar) => ({
      name: marks(bar, mark),
      points: settings
        .filter((s) => s.pressureBar === bar)
        .map((s): [number, number] => [s.temperature, s.rate])
    }))
  );
</script>

<FamilyChart
  {lines}
  title="°{unit}/h in the next half hour"
  label="Climb in the next half hour by setting: at full pressure up to {number(
    Math.max(...rates),
    0
  )} °{unit} an hour"
  across={{ most: Math.max(...settings.map((s) => s.temperature)), text: (t) => `${number(t, 0)}°` }}
  up={{ least: Math.max(-200, Math.min(0, ...rates)), most: Math.min(600, Math.max(100, ...rates)) }}
  colours="hot"
/>
