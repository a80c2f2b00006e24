import { expect, test } from 'vitest';
import { visible } from './visible';

const hour = 3_600_000;
const x = (at: Date) => at.getTime() / hour;
const span = (from: number, to: number) => ({
  from: new Date(from * hour).toISOString(),
  to: new Date(to * hour).toISOString()
});

test('spans are cut at the edges, and those outside are not there at all', () => {
  const shown = visible(
    [span(-9, -5), span(-4, -1), span(-2, 3), span(5, 7), span(9, 14), span(12, 15)],
    x,
    10
  );
  expect(shown).toEqual([
    { from: 0, width: 3 },
    { from: 5, width: 2 },
    { from: 9, width: 1 }
  ]);
});
