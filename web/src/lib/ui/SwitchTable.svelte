<script lang="ts">
  /** Turns of switches, one a row: what changes stands out, what is next is marked, and on paper there is room to write. */
  interface Row {
    when: string;
    positions: readonly string[];
    shouldBe: string;
    done?: boolean;
    next?: boolean;
  }
  interface Props {
    sections: readonly string[];
    /** What every switch stands at before the first row. */
    before: string;
    rows: readonly Row[];
    /** When everything is turned off; left out where that is told elsewhere. */
    off?: Omit<Row, 'positions'> | undefined;
    testid: string;
  }
  const { sections, before, rows, off, testid }: Props = $props();
  const changed = (i: number, k: number) => rows[i]?.positions[k] !== (rows[i - 1]?.positions[k] ?? before);
</script>

<table class="table" data-testid={testid}>
  <thead class="text-soft"
    ><tr
      ><th>When</th>{#each sections as section (section)}<th class="text-right">{section}</th>{/each}<th
        class="text-right">Should be</th
      ><th class="only-print">Read</th></tr
    ></thead
  >
  <tbody>
    {#each rows as row, i (i)}
      <tr class={[row.done && 'done', row.next && 'next']}>
        <td>{row.when}</td>
        {#each row.positions as position, k (k)}<td
            class={['text-right', changed(i, k) ? 'font-bold' : 'text-soft']}>{position}</td
          >{/each}
        <td class="text-right">{row.shouldBe}</td>
        <td class="only-print line"></td>
      </tr>
    {/each}
    {#if off}
      <tr class={[off.next && 'next']}>
        <td>{off.when}</td>
        <td colspan={sections.length} class="text-right font-bold">everything off</td>
        <td class="text-right">{off.shouldBe}</td>
        <td class="only-print line"></td>
      </tr>
    {/if}
  </tbody>
</table>

<style>
  td,
  th {
    padding: 6px 14px;
    font-size: 15px;
  }
  .done {
    opacity: 0.6;
  }
  .next td {
    background: var(--color-accent);
    color: var(--color-accent-content);
  }
  .only-print {
    display: none;
  }
  @media print {
    .only-print {
      display: table-cell;
    }
    .line {
      border-bottom: 1px solid #000;
      min-width: 90px;
    }
  }
</style>
