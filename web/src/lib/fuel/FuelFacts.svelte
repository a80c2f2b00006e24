<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import { duration, money, number } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { apartBy, weight } from '$lib/scales';

  /** What a fuel firing takes, how near its turns keep to the schedule, and what cannot be done. */
  const { kiln, unit }: { kiln: NonNullable<Preview['kiln']>; unit: 'C' | 'F' } = $props();
  const fuel = $derived(kiln.fuel);
  /** Nearer than so to too cold, a draughty day is enough. */
  const tight = 4;
  const margin = $derived(
    fuel?.spareC == null || fuel.leftKg === null
      ? ''
      : `; with 15 % more use ${weight(fuel.leftKg ?? 0)} left in each, ${apartBy(fuel.spareC)} from too cold${fuel.spareC < tight ? ': have one more at hand' : ''}`
  );
</script>

{#if fuel}
  <dl class="facts" data-testid="fuel-facts">
    <dt>Gas</dt>
    <dd>
      {weight(fuel.kg)} ± {weight(fuel.kg * kiln.uncertainty)}, {number(fuel.m3)} m³, {number(
        fuel.kwhGross,
        0
      )} kWh
    </dd>
    {#if fuel.cost !== null}<dt>Cost</dt>
      <dd>{money(fuel.cost, kiln.currency)}</dd>{/if}
    {#if fuel.cylinderKg !== null}
      <dt>Cylinders</dt>
      <dd>
        {fuel.cylinders === null
          ? `no number of ${weight(fuel.cylinderKg)} ones is enough`
          : `${fuel.cylinders} of ${weight(fuel.cylinderKg)} side by side${margin}`}{fuel.starvesAtMinute !==
          null && fuel.cylinders !== 1
          ? `; one alone would be too cold or empty after ${duration(fuel.starvesAtMinute)}`
          : ''}
      </dd>
    {/if}
    <dt>Most at once</dt>
    <dd>{weight(fuel.peakKgPerHour)} an hour</dd>
    {#if kiln.follow}
      <dt>Keeps to the schedule</dt>
      <dd>
        within {number(kiln.follow.rms, 0)} °{unit}, at worst {number(kiln.follow.worst, 0)}{kiln.follow
          .lateMinutes >= 5
          ? `; ${duration(kiln.follow.lateMinutes)} late in all`
          : ''}
      </dd>
    {/if}
  </dl>
  {#each kiln.trouble ?? [] as trouble (trouble.text)}<p class="caution">{onScale(trouble.text)}</p>{/each}
{/if}

<style>
  .facts {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 1px 12px;
    font-size: 13.5px;
  }
  dt {
    color: var(--color-soft);
  }
  dd {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .caution {
    margin-top: 6px;
    border-left: 3px solid var(--color-warning);
    padding-left: 8px;
    font-size: 13.5px;
  }
</style>
