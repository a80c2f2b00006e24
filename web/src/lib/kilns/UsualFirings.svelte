<script lang="ts">
  import type { KilnPortrait } from '$lib/api/client';
  import { duration, kindName, money, number } from '$lib/format';
  import { toUnit } from '$lib/units';

  /** What a usual bisque and glaze firing take, full. */
  const { portrait }: { portrait: KilnPortrait } = $props();
  const cooling = (usual: KilnPortrait['usual'][number], celsius: number) => {
    const wanted = toUnit(celsius, portrait.unit);
    const mark = usual.cooling.find((m) => Math.abs(m.temperature - wanted) < 1);
    return mark ? duration(mark.minutes) : '–';
  };
  const rows = $derived([
    {
      name: 'Up to the top',
      of: (u: KilnPortrait['usual'][number]) => (u.reached ? duration(u.topMinutes) : 'never')
    },
    { name: 'Energy', of: (u: KilnPortrait['usual'][number]) => `${number(u.energyKwh, 0)} kWh` },
    {
      name: 'Cost, at the usual price',
      of: (u: KilnPortrait['usual'][number]) =>
        u.cost === null || u.cost === undefined ? '–' : money(u.cost, u.currency)
    },
    { name: 'At full power', of: (u: KilnPortrait['usual'][number]) => duration(u.fullPowerMinutes) },
    {
      name: `Cooling to ${portrait.unit === 'C' ? '500 °C' : '932 °F'}`,
      of: (u: KilnPortrait['usual'][number]) => cooling(u, 500)
    },
    {
      name: `Cooling to ${portrait.unit === 'C' ? '100 °C' : '212 °F'}`,
      of: (u: KilnPortrait['usual'][number]) => cooling(u, 100)
    },
    { name: 'From start to opening', of: (u: KilnPortrait['usual'][number]) => duration(u.openMinutes) }
  ]);
</script>

<table class="table-sm table" data-testid="usual">
  <thead class="text-base-content">
    <tr>
      <th class="font-normal"><span class="text-soft">A usual firing, full</span></th>
      {#each portrait.usual as usual (usual.kind)}<th class="text-right" title={usual.line}
          >{kindName(usual.kind)}</th
        >{/each}
    </tr>
  </thead>
  <tbody>
    {#each rows as row (row.name)}
      <tr>
        <td class="text-soft">{row.name}</td>
        {#each portrait.usual as usual (usual.kind)}<td class="text-right font-semibold">{row.of(usual)}</td
          >{/each}
      </tr>
    {/each}
  </tbody>
</table>
