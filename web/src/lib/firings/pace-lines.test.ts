import { describe, expect, it } from 'vitest';
import { paceLines } from './pace-lines';

const paces = [
  { from: 100, to: 150, ware: 80, kiln: 240 },
  { from: 150, to: 200, ware: null, kiln: 200 }
];

describe('the small chart of a step', () => {
  it('draws ware, kiln and program over its temperatures', () => {
    const lines = paceLines(paces, 80, 100, 50);
    expect(lines.map((l) => l.kind)).toEqual(['ware', 'kiln', 'asked']);
    // The ware's line ends where nothing is asked; the kiln's leaves through the top.
    expect(lines[0]?.path).toBe('M0.0 22.6L50.0 22.6');
    expect(lines[1]?.path).toBe('M0.0 3.0L50.0 3.0L50.0 3.0L100.0 3.0');
    expect(lines[2]?.path).toBe('M0.0 22.6L50.0 22.6L50.0 22.6L100.0 22.6');
  });

  it('runs along the kiln where it is left to itself, and draws nothing of nothing', () => {
    const [, kiln, asked] = paceLines(paces, null, 100, 50);
    expect(asked?.path).toBe(kiln?.path);
    expect(paceLines([], 80, 100, 50)).toEqual([]);
    expect(
      paceLines([{ from: 100, to: 150, ware: null, kiln: null }], 80, 100, 50).map((l) => l.kind)
    ).toEqual(['asked']);
  });
});
