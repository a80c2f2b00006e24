<script lang="ts">
  import type { KilnBody, KilnPortrait } from '$lib/api/client';
  import { degrees, duration, kindName, money, number } from '$lib/format';
  import { weight } from '$lib/scales';
  import CoolingChart from './CoolingChart.svelte';
  import KilnDrawing from './KilnDrawing.svelte';
  import SettingsChart from './SettingsChart.svelte';

  /** What a gas kiln can do: climb by setting, its usual firings with their fuel, how it cools. */
  const { kiln, portrait }: { kiln: KilnBody; portrait: KilnPortrait } = $props();
</script>

<section class="grid gap-2" aria-label="What it can do">
  <KilnDrawing {kiln} />
  {#if portrait.settings?.length}<SettingsChart
      settings={portrait.settings}
      unit={portrait.unit}
      mark={kiln.mark ?? 0.05}
    />{/if}
  {#if portrait.coolings?.length}<CoolingChart coolings={portrait.coolings} unit={portrait.unit} />{/if}
  <table class="card-paper text-[13.5px]">
    <thead>
      <tr
        ><th scope="col">Full load</th>{#each portrait.usual as u (u.kind)}<th scope="col"
            >{kindName(u.kind)}</th
          >{/each}</tr
      >
    </thead>
    <tbody>
      <tr
        ><th scope="row">To the top</th>{#each portrait.usual as u (u.kind)}<td>{duration(u.topMinutes)}</td
          >{/each}</tr
      >
      <tr
        ><th scope="row">Gas</th>{#each portrait.usual as u (u.kind)}<td>{weight(u.fuelKg ?? 0)}</td
          >{/each}</tr
      >
      <tr
        ><th scope="row">Energy</th>{#each portrait.usual as u (u.kind)}<td>{number(u.energyKwh, 0)} kWh</td
          >{/each}</tr
      >
      {#if portrait.usual.some((u) => u.cost !== null)}<tr
          ><th scope="row">Cost</th>{#each portrait.usual as u (u.kind)}<td
              >{u.cost === null ? '–' : money(u.cost, u.currency)}</td
            >{/each}</tr
        >{/if}
      {#if portrait.usual.some((u) => u.cylinders !== null)}<tr
          ><th scope="row">Cylinders of {weight(kiln.cylinder ?? 0)}</th
          >{#each portrait.usual as u (u.kind)}<td>{u.cylinders ?? 'too many'}</td>{/each}</tr
        >{/if}
      {#each portrait.usual[1]?.cooling ?? [] as mark (mark.temperature)}<tr
          ><th scope="row">Closed up, to {degrees(mark.temperature, portrait.unit)}</th
          >{#each portrait.usual as u (u.kind)}{@const m = u.cooling.find(
              (c) => c.temperature === mark.temperature
            )}<td>{m ? duration(m.minutes) : '–'}</td>{/each}</tr
        >{/each}
    </tbody>
  </table>
  <p class="text-soft text-[12.5px]">
    Give or take {number(kiln.uncertainty ?? 15, 0)} %. Gas work belongs to a licensed gas fitter; the maker’s manual
    and local code come first. A carbon monoxide alarm hangs where it is fired.
  </p>
</section>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 3px 12px;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  th[scope='row'],
  th:first-child {
    text-align: left;
    font-weight: 400;
    color: var(--color-soft);
  }
</style>
