<script lang="ts">
  import { degrees, duration, number, shortTime } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { beside, type MadeTurn } from './last-turns';
  import LastTurnRow from './LastTurnRow.svelte';
  import { airNames, fallsText, folded, type Turn } from './words';

  /** The turn-up sheet, a row a turn: what to set, what to expect, why, and the caution where it belongs. */
  interface Props {
    turns: readonly Turn[];
    unit: 'C' | 'F';
    /** The next one nobody has made. */
    due?: number;
    paper?: boolean;
    /** Its goal cone, which ends it. */
    goal?: string | null;
    /** What was really turned the last time, in grey between them. */
    last?: readonly MadeTurn[];
  }
  const { turns, unit, due, paper = false, goal = null, last: made = [] }: Props = $props();
  const time = (turn: Turn) => (turn.at ? shortTime(new Date(turn.at)) : duration(turn.minute));
  /** Looked at again and again and left: one row, with the caution that belongs to it. */
  const rows = $derived(
    beside(
      folded(turns).flatMap(({ from, to }) => {
        const [turn, last] = [turns[from], turns[to]];
        const caution = turns.slice(from, to + 1).find((t) => t.caution)?.caution ?? null;
        return turn && last ? [{ turn: { ...turn, caution }, from, to, last }] : [];
      }),
      made
    )
  );
</script>

<table class={['sheet', paper && 'paper']}>
  <thead>
    <tr>
      <th scope="col">At</th>
      <th scope="col">Set</th>
      <th scope="col" class="num">Expect</th>
      <th scope="col">Look, smell, listen</th>
      {#if paper}<th scope="col" class="seen">At, and what you saw</th>{/if}
    </tr>
  </thead>
  <tbody>
    {#each rows as { row: { turn, from, to, last }, made: before } (turn.minute + turn.kind)}
      {@const falls = fallsText(turn, goal, (f) => (f.at ? shortTime(new Date(f.at)) : duration(f.minute)))}
      <tr
        class={[turn.done && 'done', due !== undefined && from <= due && due <= to && 'due', turn.kind]}
        data-testid="turn"
      >
        <td class="at">
          <b>{time(turn)}</b>
          {#if to > from}<span class="text-soft">until {time(last)}</span>
          {:else if turn.at}<span class="text-soft">{duration(turn.minute)}</span>{/if}
        </td>
        <td>
          <b
            >{turn.set}{#if to > from}, {to - from + 1} times{/if}</b
          >
          {#if to > from}<p class="why">
              {turns
                .slice(from, to + 1)
                .map(time)
                .join(', ')}
            </p>{/if}
          {#if turn.band && turn.asked && turn.asked !== 'oxidising'}<span class="air"
              >{airNames[turn.band]}</span
            >{/if}
          {#if turn.late}<span class="late">late</span>{/if}
          {#if turn.why}<p class="why">{onScale(turn.why)}</p>{/if}
          {#if turn.caution}<p class="caution">{onScale(turn.caution)}</p>{/if}
        </td>
        <td class="num"
          >{degrees(turn.temperature, unit)}<span class="text-soft">{turn.colour}</span
          >{#if turn.lambda !== null}<span class="text-soft">λ {number(turn.lambda, 2)}</span>{/if}</td
        >
        <td class="text-soft"
          >{onScale(turn.expect)}{#if falls}<b class="falls">{falls}.</b>{/if}</td
        >
        {#if paper}<td class="seen"></td>{/if}
      </tr>
      {#each before as m, i (i)}
        <LastTurnRow turn={m} {paper} />
      {/each}
    {/each}
  </tbody>
</table>

<style>
  .sheet {
    width: 100%;
    border-collapse: collapse;
    font-size: 14px;
    line-height: 1.3;
  }
  th {
    text-align: left;
    font-weight: 600;
    font-size: 12.5px;
    color: var(--color-soft);
    padding: 4px 8px 4px 0;
  }
  td {
    vertical-align: top;
    padding: 6px 10px 6px 0;
    border-top: 1px solid color-mix(in oklab, var(--color-base-300) 70%, transparent);
  }
  .num {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .num span,
  .at span {
    display: block;
    font-size: 12.5px;
  }
  .at {
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .air,
  .late {
    margin-left: 8px;
    font-size: 12.5px;
    color: var(--color-secondary);
  }
  .late {
    color: var(--color-warning);
    font-weight: 600;
  }
  .why {
    font-size: 13px;
    color: var(--color-soft);
  }
  .caution {
    font-size: 13px;
    border-left: 3px solid var(--color-warning);
    padding-left: 8px;
    margin-top: 3px;
  }
  .falls {
    display: block;
    color: var(--color-base-content);
  }
  .paper .falls {
    color: #1d1916;
  }
  .seen {
    width: 24%;
    border-left: 1px solid #bbb;
    padding-left: 6px;
  }
  .done {
    opacity: 0.6;
  }
  .due {
    background: color-mix(in oklab, var(--color-primary) 9%, var(--color-base-100));
  }
  .shut-off td {
    border-top: 2px solid currentColor;
  }
  .paper {
    font-size: var(--size, 10px);
  }
  .paper td,
  .paper th {
    color: #1d1916;
    border-color: #bbb;
    padding-block: 0.14em;
  }
  .paper .why,
  .paper .caution,
  .paper .num span,
  .paper .at span,
  .paper .air {
    font-size: 0.92em;
    color: #444;
  }
  .paper .num span,
  .paper .at span {
    display: inline;
    margin-left: 0.5em;
  }
  @media (max-width: 640px) {
    .sheet:not(.paper) thead {
      display: none;
    }
    .sheet:not(.paper) tr {
      display: grid;
      grid-template-columns: 4.6em minmax(0, 1fr) auto;
      border-top: 1px solid var(--color-base-300);
      padding: 6px 4px;
    }
    .sheet:not(.paper) td {
      border: 0;
      padding: 2px 6px 2px 0;
    }
    .sheet:not(.paper) td:last-child {
      grid-column: 2 / -1;
      font-size: 13px;
    }
  }
</style>
