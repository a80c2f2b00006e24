<script lang="ts">
  import { weight } from '$lib/scales';
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { degrees, duration, money, number } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import type { FiringPlace } from './firing-place.svelte';
  import type { PreviewLoop } from './preview-loop.svelte';

  interface Props {
    place: FiringPlace;
    loop: PreviewLoop;
    /** True once it is known when it starts; the price then follows the hours. */
    timed: boolean;
    unit: 'C' | 'F';
    /** Of the schedule, once it is saved. */
    scheduleId: number | null;
  }
  const { place, loop, timed, unit, scheduleId }: Props = $props();

  const kilns = createQuery(kilnList);
  const kiln = $derived(place.kilnId === null ? null : (loop.preview?.kiln ?? null));
  const fills = [
    { value: 1, name: 'full' },
    { value: 0.75, name: 'three quarters' },
    { value: 0.5, name: 'half full' },
    { value: 0.25, name: 'nearly empty' },
    { value: 0, name: 'empty' }
  ];

  const turnsHref = $derived(
    place.firing
      ? `/firings/${place.firing.id}?stage=set`
      : `/schedules/${scheduleId}/turns?kiln=${place.kilnId}&fill=${place.fill}${loop.startsAt ? `&start=${encodeURIComponent(loop.startsAt)}` : ''}`
  );

  function choose(value: string) {
    if (value === 'make') void goto('/stores/kilns/new');
    else place.choose(value === '' ? null : Number(value));
  }
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="kiln-and-power">
  <div class="mb-1 flex items-center justify-between gap-2">
    <h2 id="kiln-and-power" class="text-[15px]">Kiln</h2>
    <span class="flex min-w-0 items-center">
      {#if place.kilnId !== null && !place.firing}
        <select
          class="select select-ghost select-xs text-soft w-auto pr-6! pl-1! text-[13px]"
          aria-label="How full the kiln is"
          value={place.fill}
          onchange={(e) => place.choose(place.kilnId, Number(e.currentTarget.value))}
        >
          {#each fills as fill (fill.value)}<option value={fill.value}>{fill.name}</option>{/each}
        </select>
      {/if}
      <select
        class="select select-ghost select-xs w-auto max-w-36 pr-6! pl-1! text-[13.5px] font-semibold"
        aria-label="Kiln this is planned for"
        data-testid="kiln"
        value={place.kilnId === null ? '' : String(place.kilnId)}
        onchange={(e) => choose(e.currentTarget.value)}
      >
        <option value="">a plain kiln</option>
        {#each kilns.data ?? [] as k (k.id)}<option value={String(k.id)}>{k.kiln.name}</option>{/each}
        <option value="make">add a kiln …</option>
      </select>
    </span>
  </div>
  {#if kiln?.heat === 'fuel' && place.kilnId !== null}
    {#await import('$lib/fuel/FuelFacts.svelte') then { default: FuelFacts }}
      <FuelFacts {kiln} {unit} />
    {/await}
    {#if scheduleId !== null}
      <p class="mt-1">
        <a class="link text-primary font-semibold" href={turnsHref} data-testid="to-turns"
          >Turn-up sheet for {kiln.name}</a
        >
      </p>
    {:else}<p class="text-soft mt-1">
        Give the schedule a name, and its turn-up sheet can be opened here.
      </p>{/if}
    <details class="mt-1">
      <summary class="text-soft cursor-pointer text-[12.5px]">How sure is this?</summary>
      <p class="text-soft mt-1 text-[12.5px]">
        Calculated with {weight(kiln.load.wareKg)} of {kiln.load.firstFiring ? 'raw' : 'bisqued'} ware and
        {weight(kiln.load.furnitureKg)} of shelves, from burners, draft and walls. Give or take {number(
          kiln.uncertainty * 100,
          0
        )} % until its firings have taught it; fired by eye it is planned anew at every turn.
      </p>
    </details>
  {:else if kiln}
    <dl class="grid grid-cols-[1fr_auto] gap-x-2 gap-y-[3px]" data-testid="power">
      <dt class="text-soft">Energy</dt>
      <dd class="text-right font-semibold" data-testid="energy">
        {number(kiln.energyKwh, 0)} kWh
        <span class="text-soft font-normal" title="How far it may be off, from what is known of this kiln"
          >± {number(kiln.energyKwh * kiln.uncertainty, 0)}</span
        >
      </dd>
      <dt class="text-soft" title={kiln.costNote ?? undefined}>
        Cost{#if kiln.costNote}<span class="text-[12px]">, {timed ? 'by the hour' : 'usual price'}</span>{/if}
      </dt>
      <dd class="text-right font-semibold" data-testid="cost">
        {#if kiln.cost === null || kiln.cost === undefined}
          <a class="link text-soft font-normal" href="/stores/clock">enter the price</a>
        {:else}{money(kiln.cost, kiln.currency)}{/if}
      </dd>
      <dt class="text-soft">Full power for</dt>
      <dd class="text-right font-semibold">{duration(kiln.fullPowerMinutes)}</dd>
      {#if kiln.lateMinutes >= 5}
        <dt class="text-soft">Later than written</dt>
        <dd class="text-warning text-right font-semibold" data-testid="late">{duration(kiln.lateMinutes)}</dd>
      {/if}
    </dl>
    {#if scheduleId !== null && place.kilnId !== null}
      <p class="mt-1">
        <a
          class="link text-primary font-semibold"
          href={place.firing
            ? `/firings/${place.firing.id}?stage=set`
            : `/schedules/${scheduleId}/set?kiln=${place.kilnId}`}>Set it at {kiln.name}</a
        >
      </p>
    {/if}
    <details class="mt-1">
      <summary class="text-soft cursor-pointer text-[12.5px]">How sure is this?</summary>
      <p class="text-soft mt-1 text-[12.5px]">
        Calculated with {weight(kiln.load.wareKg)} of {kiln.load.firstFiring ? 'raw' : 'bisqued'} ware and
        {weight(kiln.load.furnitureKg)} of shelves. Times and energy may be {number(
          kiln.uncertainty * 100,
          0
        )} % off either way;
        <a class="link" href="/stores/kilns/{place.kilnId}">a log of this kiln</a> makes them surer. The model
        knows one temperature: top and bottom of a real kiln differ. It may be opened at {degrees(
          kiln.openTemperature,
          unit
        )}.
      </p>
    </details>
  {:else if place.kilnId === null}
    <p class="text-soft">
      {#if kilns.data?.length === 0}
        <a class="link text-primary" href="/stores/kilns/new">Add your kiln</a> and see what it can really do.
      {:else}Choose a kiln to see its own times, power and cost.{/if}
    </p>
  {/if}
</section>
