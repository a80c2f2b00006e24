<script lang="ts">
  import type { GlazeBody } from '$lib/api/client';
  import { cones, habits } from '$lib/stock/words';
  import { glazes } from '$lib/stock/collections';
  import type { Field } from '$lib/stock/StockField.svelte';
  import StockPage from '$lib/stock/StockPage.svelte';

  const fields: readonly Field<GlazeBody>[] = [
    { name: 'name', label: 'Name', kind: 'text', wide: true },
    { name: 'coneFrom', label: 'From cone', kind: 'text', hint: 'Like 5, or 04 with its zero.' },
    { name: 'coneTo', label: 'to cone', kind: 'text' },
    { name: 'runny', label: 'Runs', kind: 'check', hint: 'Short holds, a waste slab under it.' },
    { name: 'needsHold', label: 'Wants a hold', kind: 'check', hint: 'Pinholes without one.' },
    { name: 'fades', label: 'Fades', kind: 'check', hint: 'Its colour burns out when held long.' },
    { name: 'wantsFastCooling', label: 'Wants to cool fast', kind: 'check', hint: 'Slow cooling dulls it.' },
    {
      name: 'slowFrom',
      label: 'Crystals grow from',
      kind: 'number',
      hint: 'Degrees, on the way down. Empty if it has none.'
    },
    { name: 'slowTo', label: 'down to', kind: 'number' },
    { name: 'slowHours', label: 'for, hours', kind: 'number' },
    {
      name: 'unit',
      label: 'Degrees in',
      kind: 'choice',
      choices: [
        { value: 'C', name: '°C' },
        { value: 'F', name: '°F' }
      ]
    },
    { name: 'notes', label: 'Notes', kind: 'area' }
  ];
</script>

<StockPage
  title="Glazes"
  one="glaze"
  collection={glazes}
  {fields}
  empty={{ name: '', unit: 'C' }}
  hint="No glaze yet. Add the first: its cones and habits decide the firing it gets."
>
  {#snippet card(glaze: GlazeBody)}
    <p class="text-[13.5px]">{cones(glaze)}{habits(glaze)}</p>
  {/snippet}
</StockPage>
