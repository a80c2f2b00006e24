<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import { number } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { heat, weight } from '$lib/scales';
  import AirScale from '$lib/fuel/AirScale.svelte';
  import { airNames, flameText } from '$lib/fuel/words';
  import { kilnClasses, kilnList } from '$lib/kilns/queries';
  import BenchTabs from '$lib/ui/BenchTabs.svelte';

  /** The air desk: what pressure and damper make of the air, and the air of the heat, with live numbers. */
  const kilns = createQuery(kilnList);
  const classes = createQuery(kilnClasses);
  const own = $derived(
    (kilns.data ?? [])
      .filter((k) => k.kiln.heat === 'fuel')
      .map((k) => ({ key: String(k.id), name: k.kiln.name, kiln: k.kiln, body: { kilnId: k.id } }))
  );
  const usual = $derived(
    (classes.data ?? [])
      .filter((c) => c.heat === 'fuel')
      .map((c) => ({ key: c.id, name: c.name, kiln: c.usual, body: { kiln: { name: null, class: c.id } } }))
  );
  let key = $state('');
  const chosen = $derived([...own, ...usual].find((k) => k.key === key) ?? own[0] ?? usual[0]);
  const hands = $derived({ burners: chosen?.kiln.burners ?? 2, mark: chosen?.kiln.mark ?? 0.05 });
  const most = $derived(chosen?.kiln.mostPressure ?? 1);
  let marks = $state(5);
  const bar = $derived(Math.min(most, Math.round(marks * hands.mark * 1e4) / 1e4));
  let damper = $state(45);
  let celsius = $state(920);
  const asked = createQuery(() => ({
    queryKey: ['breath', chosen?.key, bar, damper, celsius],
    enabled: !!chosen,
    placeholderData: <T,>(before: T) => before,
    queryFn: async () => {
      const { data, error } = await api.POST('/api/kilns/breath', {
        body: {
          ...{ kilnId: null, kiln: null, ...chosen?.body },
          temperature: celsius,
          pressureBar: bar,
          damper: damper / 100
        }
      });
      if (!data) throw error;
      return data;
    }
  }));
  const now = $derived(asked.data ?? null);
</script>

<svelte:head><title>Air · Zealous Ember</title></svelte:head>

<div class="page max-w-4xl">
  <header>
    <h1 class="text-2xl">Bench</h1>
    <BenchTabs />
  </header>
  <p class="max-w-2xl">
    λ is the air there is, over the air the gas needs. Just enough is 1: the fastest climb. Less leaves carbon
    monoxide, which reduces; much more carries the heat out of the flue. Pressure sets the gas, the damper
    sets the draft, and the draft brings the air.
  </p>
  <section class="card-paper grid gap-4 p-4 md:grid-cols-2">
    <div class="grid content-start gap-3">
      <label class="grid gap-1"
        ><span class="font-semibold">Kiln</span><select
          class="select select-sm"
          aria-label="Kiln"
          value={chosen?.key ?? ''}
          onchange={(e) => (key = e.currentTarget.value)}
        >
          {#each own as k (k.key)}<option value={k.key}>{k.name}</option>{/each}
          {#each usual as k (k.key)}<option value={k.key}>{k.name}, as usual</option>{/each}
        </select></label
      >
      <label class="grid gap-1"
        ><span
          ><b>Pressure</b> {flameText({ flame: 'gauge', lit: hands.burners, pressureBar: bar }, hands)}</span
        ><input
          type="range"
          class="range range-primary range-sm"
          min="0.5"
          max={most / hands.mark}
          step="0.5"
          bind:value={marks}
          aria-label="Pressure"
        /></label
      >
      <label class="grid gap-1"
        ><span><b>Damper</b> {damper} % open</span><input
          type="range"
          class="range range-primary range-sm"
          min="0"
          max="100"
          step="2.5"
          bind:value={damper}
          aria-label="Damper"
        /></label
      >
      <label class="grid gap-1"
        ><span><b>Chamber</b> {heat(celsius)}</span><input
          type="range"
          class="range range-primary range-sm"
          min="100"
          max="1300"
          step="20"
          bind:value={celsius}
          aria-label="Chamber temperature"
        /></label
      >
    </div>
    {#if now}
      <div data-testid="air-answer">
        <p class="font-serif text-4xl font-semibold">λ {number(now.lambda, 2)}</p>
        <p class="text-lg">{airNames[now.band]}</p>
        <AirScale lambda={now.lambda} />
        <dl>
          <dt>Of the gas’s heat stays</dt>
          <dd>{number(now.flame.available * 100, 0)} %</dd>
          <dt>Leaves unburnt</dt>
          <dd>{number(now.flame.unburntShare * 100, 0)} %</dd>
          <dt>Carbon monoxide, oxygen (dry gas)</dt>
          <dd>{number(now.flame.coPercentDry)} %, {number(now.flame.o2PercentDry)} %</dd>
          <dt>Heat to ware and walls</dt>
          <dd>{number(now.heatKw)} kW</dd>
          <dt>Gas, air</dt>
          <dd>{weight(now.fuelKgPerHour)}/h, {weight(now.airKgPerHour)}/h</dd>
          <dt>At the ports</dt>
          <dd>
            {now.portPascal > 0
              ? `${number(now.portPascal)} Pa: flame licks out`
              : `draws ${number(-now.portPascal)} Pa`}
          </dd>
          <dt>Flame at the flue</dt>
          <dd>
            {now.flameAtFlueM < 0.02 ? 'none' : onScale(`about ${number(now.flameAtFlueM * 100, 0)} cm`)}
          </dd>
        </dl>
      </div>
    {:else if asked.isError}<p role="alert">{sayProblem(asked.error)}</p>{/if}
  </section>
  <p class="text-soft text-[13.5px]">
    Flames mix unevenly: λ may be off by 0.05 from place to place, and by 0.1 until this kiln’s first smell
    was noted. Carbon monoxide is surely gone only from 1.08 up: alarm on, hood or open air.
  </p>
</div>

<style>
  input[type='range'] {
    accent-color: var(--color-primary);
  }
  dl {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 14px;
    font-size: 14.5px;
  }
  dt {
    color: var(--color-soft);
  }
  dd {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
</style>
