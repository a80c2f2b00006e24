<script lang="ts">
  import { duration } from '$lib/format';
  import { heat } from '$lib/scales';
  import type { MadeTurn } from './last-turns';

  /** A turn that was really made the last time, in grey on the sheet of the next. */
  const { turn, paper }: { turn: MadeTurn; paper: boolean } = $props();
</script>

<tr class={[paper && 'paper']} data-testid="last-turn">
  <td>{duration(turn.minute)}</td>
  <td>{turn.set}</td>
  <td class="num">{turn.celsius === null ? '' : heat(turn.celsius)}</td>
  <td class="when">last time</td>
  {#if paper}<td class="seen"></td>{/if}
</tr>

<style>
  td {
    color: var(--color-soft);
    font-size: 0.92em;
    padding: 2px 10px 2px 0;
    vertical-align: top;
  }
  .num {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .paper td {
    color: #777;
    padding-block: 0.1em;
  }
  .seen {
    border-left: 1px solid #bbb;
  }
  @media (max-width: 640px) {
    tr:not(.paper) {
      display: grid;
      grid-template-columns: 4.6em minmax(0, 1fr) auto;
      padding: 0 4px;
    }
    tr:not(.paper) .when {
      display: none;
    }
  }
</style>
