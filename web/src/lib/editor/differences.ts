import type { Difference } from '$lib/draft/differences';
import { degrees, hold, kindName, number } from '$lib/format';
import { written, type Draft, type DraftStep } from './draft';

/** "80 °C/h to 600 °C, hold 1 h 30". */
export function sayStep(step: DraftStep | undefined, unit: string): string {
  if (!step) return '–';
  const to = step.target === null ? '' : ` to ${degrees(step.target, unit)}`;
  const pace =
    step.pace === 'full'
      ? `full power${to}`
      : step.pace === 'natural'
        ? `off${to}`
        : `${step.rate === null ? '…' : number(step.rate)} °${unit}/h${to}`;
  return step.holdMinutes ? `${pace}, hold ${hold(step.holdMinutes)}` : pace;
}

/** Where two schedules say something else, step by step. */
export function scheduleDifferences(mine: Draft, theirs: Draft): Difference[] {
  const rows: Difference[] = [
    { place: 'Name', mine: mine.name, theirs: theirs.name },
    { place: 'Kind', mine: kindName(mine.kind), theirs: kindName(theirs.kind) },
    { place: 'Goal cone', mine: mine.goalCone ?? '–', theirs: theirs.goalCone ?? '–' },
    { place: 'Notes', mine: mine.notes ?? '–', theirs: theirs.notes ?? '–' },
    { place: 'Tags', mine: mine.tags.join(', ') || '–', theirs: theirs.tags.join(', ') || '–' }
  ];
  const [ours, others] = [written(mine), written(theirs)];
  for (let i = 0; i < Math.max(ours.length, others.length); i++)
    rows.push({
      place: `Step ${i + 1}`,
      mine: sayStep(ours[i]?.step, mine.unit),
      theirs: sayStep(others[i]?.step, theirs.unit)
    });
  return rows.filter((row) => row.mine !== row.theirs);
}
