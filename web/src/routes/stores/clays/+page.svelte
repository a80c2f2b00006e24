<script lang="ts">
  import type { ClayBody } from '$lib/api/client';
  import { cones } from '$lib/stock/words';
  import { clays } from '$lib/stock/collections';
  import type { Field } from '$lib/stock/StockField.svelte';
  import StockPage from '$lib/stock/StockPage.svelte';

  const kinds = [
    { value: 'stoneware', name: 'Stoneware' },
    { value: 'earthenware', name: 'Earthenware' },
    { value: 'porcelain', name: 'Porcelain' },
    { value: 'other', name: 'Other' }
  ];
  const fields: readonly Field<ClayBody>[] = [
    { name: 'name', label: 'Name', kind: 'text' },
    { name: 'kind', label: 'Kind', kind: 'choice', choices: kinds },
    { name: 'coneFrom', label: 'Matures from cone', kind: 'text', hint: 'Like 5, or 04 with its zero.' },
    { name: 'coneTo', label: 'to cone', kind: 'text' },
    { name: 'shrinkage', label: 'Shrinkage, %', kind: 'number', hint: 'Wet to fired.' },
    { name: 'absorption', label: 'Absorption, %', kind: 'number', hint: 'Fired to its cone.' },
    {
      name: 'burnsOutSlowly',
      label: 'Burns out slowly',
      kind: 'check',
      hint: 'Dark, iron-bearing or recycled: its bisque gets half as long again.'
    },
    { name: 'notes', label: 'Notes', kind: 'area' }
  ];
</script>

<StockPage
  title="Clays"
  one="clay"
  collection={clays}
  {fields}
  empty={{ name: '', kind: 'stoneware' }}
  hint="No clay yet. Add the first: its cones decide what it can be fired with."
>
  {#snippet card(clay: ClayBody)}
    <p class="text-[13.5px]">
      {kinds.find((k) => k.value === clay.kind)?.name ?? ''}, {cones(clay)}{clay.burnsOutSlowly
        ? '; burns out slowly'
        : ''}
    </p>
  {/snippet}
</StockPage>
