<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { onScale } from '$lib/said-units';
  import { apart, sayFigure } from './figures';
  import { shadeOf } from './line-colours';
  import type { Compared } from './queries';

  /** Number by number, and how far they lie apart; those that differ by more than is worth a thought stand out. */
  interface Props {
    compared: Compared;
    ondrop: (firingId: number) => void;
  }
  const { compared, ondrop }: Props = $props();
</script>

<div class="card-paper overflow-x-auto p-4">
  <table>
    <thead>
      <tr>
        <th scope="col"><span class="sr-only">Number</span></th>
        {#each compared.firings as firing, i (firing.firingId)}<th scope="col" class="num"
            ><i style:background={shadeOf(i)}></i>{firing.name}{#if compared.firings.length > 2}<button
                class="btn btn-ghost btn-xs btn-square"
                aria-label="Leave “{firing.name}” out"
                onclick={() => ondrop(firing.firingId)}><X size={13} /></button
              >{/if}</th
          >{/each}
        <th scope="col" class="num">{compared.firings.length > 2 ? 'Most apart' : 'Difference'}</th>
      </tr>
    </thead>
    <tbody>
      {#each compared.differences as row (row.name)}
        <tr class={row.mattered ? 'mattered' : ''}>
          <th scope="row">{onScale(row.label)}</th>
          {#each row.values as value, i (i)}<td>{value === null ? '' : sayFigure(row, value)}</td>{/each}
          <td class="apart">{apart(row, row.values)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  table {
    width: 100%;
    font-size: 14px;
  }
  th {
    text-align: left;
    font-weight: 500;
    padding: 3px 14px 3px 0;
  }
  .num,
  td {
    text-align: right;
  }
  tbody th {
    color: var(--color-soft);
  }
  td {
    padding: 3px 14px 3px 0;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }
  .apart {
    color: var(--color-soft);
  }
  .mattered th,
  .mattered td {
    color: var(--color-base-content);
    font-weight: 700;
  }
  i {
    display: inline-block;
    width: 12px;
    height: 4px;
    border-radius: 2px;
    margin-right: 6px;
    vertical-align: middle;
  }
</style>
