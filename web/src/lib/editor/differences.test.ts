import { expect, it } from 'vitest';
import { scheduleDifferences } from './differences';
import { emptyDraft, emptyStep } from './draft';

const step = (rate: number, target: number, holdMinutes = 0) => ({
  ...emptyStep(),
  rate,
  target,
  holdMinutes
});

it('tells where two schedules differ, in the words of a schedule', () => {
  const mine = {
    ...emptyDraft('C'),
    name: 'Matte',
    goalCone: '6',
    steps: [step(80, 600), step(60, 1222, 15)]
  };
  const theirs = {
    ...mine,
    goalCone: null,
    steps: [step(80, 600), step(55, 1222, 90), emptyStep(), step(55, 900)]
  };
  expect(scheduleDifferences(mine, theirs)).toEqual([
    { place: 'Goal cone', mine: '6', theirs: '–' },
    { place: 'Step 2', mine: '60 °C/h to 1222 °C, hold 15 min', theirs: '55 °C/h to 1222 °C, hold 1 h 30' },
    { place: 'Step 3', mine: '–', theirs: '55 °C/h to 900 °C' }
  ]);
  expect(scheduleDifferences(mine, mine)).toEqual([]);
});
