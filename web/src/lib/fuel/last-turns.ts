import type { components } from '$lib/api/schema';
import type { Turn } from './words';

export type LastTurns = components['schemas']['LastTurnsContract'];
export type MadeTurn = LastTurns['turns'][number];

/** The rows of a sheet with what was really turned the last time between them: each stands before the next planned row. */
export function beside<Row extends { turn: Pick<Turn, 'minute'> }>(
  rows: readonly Row[],
  made: readonly MadeTurn[]
): { row: Row; made: MadeTurn[] }[] {
  let next = 0;
  return rows.map((row, i) => {
    const until = rows[i + 1]?.turn.minute ?? Infinity;
    const from = next;
    while (next < made.length && (made[next]?.minute ?? 0) < until) next++;
    return { row, made: made.slice(from, next) };
  });
}
