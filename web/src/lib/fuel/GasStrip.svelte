<script lang="ts">
  import { display } from '$lib/display.svelte';
  import MeasureField from '$lib/fields/MeasureField.svelte';
  import { sayMass } from '$lib/fields/measure';
  import { duration, number, plural, shortTime } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { FiringTurns } from './words';
  import { toUnit } from '$lib/units';

  /** What is left in the cylinders, and whether it lasts; one number weighed in puts it right. */
  interface Props {
    gas: NonNullable<FiringTurns['gas']>;
    startsAt: string;
    unit: 'C' | 'F';
    /** Gas left in one cylinder, kg. */
    onweighed: (kg: number) => void;
  }
  const { gas, startsAt, unit, onweighed }: Props = $props();
  let weighing = $state(false);
  let kg: number | null = $state(null);
  const weight = (value: number) => `${sayMass(value, display.mass)} ${display.mass}`;
  const at = (minute: number) => shortTime(new Date(Date.parse(startsAt) + minute * 60_000));
  const share = $derived(Math.max(0, Math.min(1, gas.kgEach / gas.fullKg)));
  const tooMuch = $derived(kg !== null && kg > gas.fullKg * 1.05);
</script>

<section class={['gas', gas.shortAtMinute !== null && 'short']} aria-label="Gas" data-testid="gas">
  <div class="row">
    <p>
      <b>{gas.weighedMinute === null ? 'About ' : ''}{weight(Math.round(gas.kg))}</b> of gas left in {plural(
        gas.cylinders,
        'cylinder'
      )}{#if gas.hoursHere !== null}, <b>{duration(gas.hoursHere * 60)}</b> as it is set{/if}
    </p>
    <button class="btn btn-sm btn-paper" onclick={() => (weighing = true)} data-testid="weigh"
      >Weigh in</button
    >
  </div>
  <div class="bar" aria-hidden="true"><span style:width="{share * 100}%"></span></div>
  {#if gas.shortAtMinute !== null}
    <p role="alert" class="warn">
      By the plan, with 15 % to spare, {gas.isByCold
        ? 'the cylinders get too cold to keep up the pressure'
        : 'the gas runs out'} at about
      {at(gas.shortAtMinute)}. {gas.isByCold ? 'Connect one more beside them' : 'Have a full one ready'} before
      that: valves shut and no flame near while you change it, soapy water on the joints after.
    </p>
  {:else if gas.kgAtEnd !== null}
    <p class="text-soft">
      At least {weight(Math.round(gas.kgAtEnd))} are left at the shut-off, by the plan with 15 % to spare.
      {#if gas.weighedMinute === null}Taken as full at the start; weighed once it is surer.{:else}Weighed at {at(
          gas.weighedMinute
        )}.{/if}
    </p>
  {/if}
  {#if gas.coldestCelsius !== null && gas.celsius < gas.coldestCelsius + 6}
    <p class="text-soft">
      About {number(toUnit(gas.celsius, unit), 0)} °{unit} inside; below {number(
        toUnit(gas.coldestCelsius, unit),
        0
      )} °{unit} the pressure falls. Never warm a cylinder with a flame.
    </p>
  {/if}
</section>
{#if weighing}
  <Dialog title="Weigh one cylinder" onclose={() => (weighing = false)}>
    <p>The gas in it: what it weighs now, less the empty weight stamped on it.</p>
    <p class="mt-3 flex items-baseline gap-2 text-[17px]">
      <MeasureField
        what="mass"
        label="gas left in one cylinder"
        value={kg}
        onvalue={(value) => (kg = value)}
      />
      {display.mass} of gas left in one
    </p>
    {#if tooMuch}<p class="text-error mt-1" role="alert">
        A full one holds {weight(gas.fullKg)}: was the empty weight taken off?
      </p>{/if}
    <button
      class="btn btn-primary mt-4 min-h-14 w-full"
      disabled={kg === null || tooMuch}
      onclick={() => {
        if (kg === null) return;
        onweighed(kg);
        weighing = false;
      }}
      data-testid="weighed">That is what is left</button
    >
  </Dialog>
{/if}

<style>
  .gas {
    border: 1px solid var(--color-base-300);
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    padding: 8px 14px 10px;
    font-size: 14.5px;
  }
  .row {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
  }
  .bar {
    height: 6px;
    border-radius: 3px;
    background: var(--color-base-300);
    margin: 6px 0;
    overflow: hidden;
  }
  .bar span {
    display: block;
    height: 100%;
    background: var(--color-secondary);
  }
  .short .bar span {
    background: var(--color-error);
  }
  .warn {
    border-left: 4px solid var(--color-error);
    padding-left: 10px;
  }
</style>
