<script lang="ts">
  import type { ConeTableRow, Unit } from '$lib/api/client';
  import { number } from '$lib/format';
  import { perKelvin, toUnit } from '$lib/units';

  /** Every cone and its end points, for the screen and for the studio wall. */
  const { rows, unit }: { rows: readonly ConeTableRow[]; unit: Unit } = $props();
  const perDegree = $derived(perKelvin(unit));
</script>

<section aria-labelledby="wall-table">
  <h2 id="wall-table" class="mb-1 text-lg">All cones, tip level with the base, °{unit}</h2>
  <p class="text-soft mb-2 text-sm print:hidden">
    Published end points, and in small how far the fit is from them (°{unit}).
  </p>
  <div class="wall">
    {#each [0, 13, 26] as from (from)}
      <table>
        <thead>
          <tr
            ><th>Cone</th>{#each [15, 60, 150] as r (r)}<th>{number(r * perDegree)}/h</th>{/each}</tr
          >
        </thead>
        <tbody>
          {#each rows.slice(from, from + 13) as row (row.cone)}
            <tr>
              <th scope="row">{row.cone}</th>
              {#each [15, 60, 150] as r (r)}
                {@const point = row.points.find((p) => p.ratePerHour === r)}
                <td>
                  {#if point}{number(toUnit(point.celsius, unit), 0)}<small
                      >{point.residual >= 0.05 ? '+' : ''}{number(point.residual * perDegree)}</small
                    >{:else}–{/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    {/each}
  </div>
</section>

<style>
  .wall {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
    gap: 0 28px;
  }
  .wall table {
    width: 100%;
    align-self: start;
    font-size: 14px;
  }
  .wall th,
  .wall td {
    text-align: right;
    padding: 2px 6px;
    border-bottom: 1px solid var(--color-base-300);
  }
  .wall th:first-child {
    text-align: left;
  }
  small {
    display: inline-block;
    width: 2.7em;
    color: var(--color-soft);
    font-size: 11px;
  }
  @media print {
    small {
      display: none;
    }
    .wall {
      grid-template-columns: repeat(3, 1fr);
      gap: 0 18px;
    }
  }
</style>
