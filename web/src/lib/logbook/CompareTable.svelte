<script lang="ts">
  import { number } from '$lib/format';
  import { shadeOf } from './line-colours';
  import type { Compared } from './queries';

  /** Number by number; those that differ by more than is worth a thought stand out. */
  const { compared }: { compared: Compared } = $props();

  const say = (value: number | null) =>
    value === null ? '' : number(value, Math.abs(value) >= 100 ? 0 : Math.abs(value) >= 10 ? 1 : 2);
</script>

<div class="card-paper overflow-x-auto p-4">
  <table>
    <thead>
      <tr>
        <th scope="col"><span class="sr-only">Number</span></th>
        {#each compared.firings as firing, i (firing.firingId)}<th scope="col"
            ><i style:background={shadeOf(i)}></i>{firing.name}</th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each compared.differences as row (row.name)}
        <tr class={row.mattered ? 'mattered' : ''}>
          <th scope="row">{row.label}{row.unit ? `, ${row.unit}` : ''}</th>
          {#each row.values as value, i (i)}<td>{say(value)}</td>{/each}
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
  tbody th {
    color: var(--color-soft);
  }
  td {
    padding: 3px 14px 3px 0;
    font-variant-numeric: tabular-nums;
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
