<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { degrees, hold } from '$lib/format';
  import { toUnit } from '$lib/units';
  import type { ReadingView } from './reading-draft.svelte';

  /** How long it was in which air above 750 °C, beside the last good firing of the kind in this kiln. */
  const { air }: { air: NonNullable<ReadingView['air']> } = $props();

  const bands = [
    ['heavyReduction', 'heavy reduction'],
    ['lightReduction', 'light reduction'],
    ['neutral', 'neutral'],
    ['oxidising', 'air enough']
  ] as const;
  const at = (celsius: number) => degrees(toUnit(celsius, display.unit), display.unit);
  const most = $derived(
    Math.max(1, ...bands.flatMap(([band]) => [air.minutes[band], air.before?.minutes[band] ?? 0]))
  );
</script>

<section class="card-paper px-4 py-3" aria-labelledby="its-air" data-testid="air">
  <h2 id="its-air" class="text-[17px]">Its air</h2>
  <p class="text-soft mb-2 text-[13.5px]">
    Above {at(750)}, up to the end of the top{air.reducedFrom != null
      ? `; reduction from ${at(air.reducedFrom)} on`
      : ''}.
    {#if air.before}The pale bars are the last good one: <a
        class="link"
        href="/firings/{air.before.firingId}?stage=read">{air.before.name}</a
      >.{/if}
  </p>
  <table class="w-full text-[14px]">
    <thead class="sr-only"
      ><tr
        ><th>Air</th><th>This firing</th>{#if air.before}<th>Last good one</th>{/if}</tr
      ></thead
    >
    <tbody>
      {#each bands as [band, name] (band)}
        <tr>
          <th class="w-36 text-left font-normal" scope="row">{name}</th>
          <td>
            <span class="bar" style:width="{(air.minutes[band] / most) * 70}%"></span>
            <b>{hold(air.minutes[band]) || 'none'}</b>
          </td>
          {#if air.before}<td>
              <span class="bar before" style:width="{(air.before.minutes[band] / most) * 70}%"></span>
              {hold(air.before.minutes[band]) || 'none'}
            </td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
</section>

<style>
  td {
    padding: 3px 10px 3px 0;
  }
  .bar {
    display: inline-block;
    height: 10px;
    margin-right: 6px;
    border-radius: 3px;
    background: var(--color-primary);
    vertical-align: middle;
  }
  .before {
    opacity: 0.4;
  }
</style>
