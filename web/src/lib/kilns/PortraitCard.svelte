<script lang="ts">
  import type { KilnBody, KilnPortrait } from '$lib/api/client';
  import { degrees, number } from '$lib/format';
  import { toCelsius, toUnit } from '$lib/units';
  import PowersChart from './PowersChart.svelte';
  import UsualFirings from './UsualFirings.svelte';

  /** What a kiln can do: its fastest climbs and falls, its usual firings, and how hot it gets. */
  const { kiln, portrait }: { kiln: KilnBody; portrait: KilnPortrait } = $props();
  const allowed = $derived(toUnit(toCelsius(kiln.topLimit ?? 0, kiln.unit ?? 'C'), portrait.unit));
</script>

<section class="grid gap-2" aria-label="What it can do">
  <PowersChart {portrait} />
  <div class="card-paper px-2 py-1"><UsualFirings {portrait} /></div>
  {#if portrait.hottest < allowed - 1}
    <p class="border-warning border-l-4 py-1 pl-3 text-[13.5px]">
      With a full load it gets to {degrees(portrait.hottest, portrait.unit)} at best; its maker allows {degrees(
        allowed,
        portrait.unit
      )}.
    </p>
  {/if}
  <p class="text-soft text-[12.5px]">
    Give or take {number(kiln.uncertainty ?? 10, 0)} %. Wiring and circuits belong to a licensed electrician; the
    maker's manual comes first.
  </p>
</section>
