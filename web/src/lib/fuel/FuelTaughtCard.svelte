<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { number, plural } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { apartBy, heat } from '$lib/scales';
  import { perKelvin } from '$lib/units';
  import { fuelLearnedOf } from './queries';

  /** What a gas kiln's firings have taught, and the table of climbs by setting that potters keep on the wall. */
  const { kilnId, mark }: { kilnId: number; mark: number } = $props();
  const asked = createQuery(() => fuelLearnedOf(kilnId));
  const bars = $derived(
    [...new Set((asked.data?.climbs ?? []).map((c) => c.pressureBar))].sort((a, b) => a - b)
  );
  const bands = $derived(
    [...new Set((asked.data?.climbs ?? []).map((c) => c.fromCelsius))].sort((a, b) => a - b)
  );
  const climb = (from: number, bar: number) =>
    asked.data?.climbs.find((c) => c.fromCelsius === from && c.pressureBar === bar);
</script>

<section class="card-paper px-4 py-3" aria-labelledby="fuel-taught" data-testid="fuel-taught">
  <h2 id="fuel-taught" class="font-serif text-[17px] font-semibold">What its firings have taught</h2>
  {#if asked.isError}<p role="alert">{sayProblem(asked.error)}</p>
  {:else if asked.data && asked.data.firings === 0}
    <p class="text-soft text-[14px]">
      Nothing yet. Fire it once with its turns noted, and colours, cones and the first smell, or a
      thermometer: the next plan will know its burners and its air.
    </p>
  {:else if asked.data}
    <p class="text-soft mb-2 text-[13.5px]">
      From {plural(asked.data.firings, 'firing')}, against the numbers above.
    </p>
    <dl class="numbers">
      {#each asked.data.numbers as n (n.name)}
        <dt>{n.label}</dt>
        <dd>
          <b>{n.name === 'eye' ? apartBy(n.mean) : `${number(n.mean, 0)} %`}</b>
          <span class="text-soft">± {n.name === 'eye' ? apartBy(n.sd) : number(n.sd, 1)}</span>
        </dd>
        <dd class="text-soft says">{onScale(n.says)}</dd>
      {/each}
    </dl>
    {#if bands.length > 0}
      <h3 class="mt-3 mb-1 text-[14.5px] font-semibold">Climb by setting, °{display.unit} an hour</h3>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div class="overflow-x-auto" role="region" aria-label="Climb by setting" tabindex="0">
        <table>
          <thead
            ><tr
              ><th scope="col">From</th>{#each bars as bar (bar)}<th scope="col">{number(bar / mark)} m</th
                >{/each}</tr
            ></thead
          >
          <tbody>
            {#each bands as from (from)}
              <tr
                ><th scope="row">{heat(from)}</th>{#each bars as bar (bar)}{@const c = climb(from, bar)}<td
                    title={c
                      ? `damper ${Math.round(c.damper * 100)} %, ${Math.round(c.minutes)} min in all`
                      : undefined}>{c ? number(c.perHour * perKelvin(display.unit), 0) : ''}</td
                  >{/each}</tr
              >
            {/each}
          </tbody>
        </table>
      </div>
      <p class="text-soft text-[12.5px]">
        m: marks of the gauge. As it was in its firings, by all that was seen of them.
      </p>
    {/if}
  {/if}
</section>

<style>
  .numbers {
    display: grid;
    grid-template-columns: auto auto minmax(0, 1fr);
    gap: 2px 14px;
    font-size: 14px;
  }
  .numbers dd {
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .numbers .says {
    white-space: normal;
    font-size: 13px;
  }
  table {
    border-collapse: collapse;
    font-size: 13px;
    font-variant-numeric: tabular-nums;
  }
  th,
  td {
    padding: 2px 9px 2px 0;
    text-align: right;
    white-space: nowrap;
  }
  th {
    font-weight: 400;
    color: var(--color-soft);
  }
  @media (max-width: 640px) {
    .numbers {
      grid-template-columns: 1fr auto;
    }
    .numbers .says {
      grid-column: 1 / -1;
    }
  }
</style>
