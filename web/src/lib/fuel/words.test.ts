import { describe, expect, it } from 'vitest';
import { fallsText, folded, wrongs, flameText, marks, nearestFlame, settingText } from './words';

const hands = { burners: 2, mark: 0.05 };
const gauge = (pressureBar: number) => ({ flame: 'gauge' as const, lit: 2, pressureBar, damper: null });
const all = [
  { flame: 'candle' as const, lit: 1, pressureBar: null, damper: null },
  { flame: 'candle' as const, lit: 2, pressureBar: null, damper: null },
  { flame: 'low' as const, lit: 2, pressureBar: null, damper: null },
  ...[0.025, 0.05, 0.075, 0.1, 0.2, 0.25, 0.3].map(gauge)
];

describe('flames a thumb can step through', () => {
  it('find the one a setting is nearest to', () => {
    expect(all[nearestFlame({ flame: 'gauge', lit: 2, pressureBar: 0.26 }, all)]?.pressureBar).toBe(0.25);
    expect(all[nearestFlame({ flame: 'candle', lit: 2, pressureBar: 0.0025 }, all)]?.lit).toBe(2);
    expect(all[nearestFlame({ flame: 'low', lit: 2, pressureBar: 0.01 }, all)]?.flame).toBe('low');
  });

  it('are said as a potter would', () => {
    expect(flameText({ flame: 'candle', lit: 1, pressureBar: null }, hands)).toBe('one candle');
    expect(flameText({ flame: 'gauge', lit: 2, pressureBar: 0.125 }, hands)).toBe('2½ marks · 0.125 bar');
    expect(flameText({ flame: 'off', lit: 0, pressureBar: 0 }, hands)).toBe('off');
    expect(marks(0.025, 0.05)).toBe('half a mark');
    expect(marks(0.05, 0.05)).toBe('1 mark');
    expect(settingText({ flame: 'off', lit: 0, pressureBar: 0, damper: 0 })).toBe('off, closed up');
    expect(settingText({ flame: 'gauge', lit: 2, pressureBar: 0.3, damper: 0.475 })).toBe(
      '0.3 bar, damper 48 %'
    );
  });
});

it('a row says which cone of the pack should go, and that the goal cone ends it', () => {
  const cones = [
    { cone: '9', minute: 500, at: null },
    { cone: '10', minute: 530, at: null }
  ];
  expect(fallsText({ cones }, '10', (f) => `${f.minute} min`)).toBe(
    'Cone 9 should go about 500 min. Cone 10 should go about 530 min: it ends the firing'
  );
  expect(fallsText({ cones: null }, '10', () => '')).toBe('');
});

it('whatever is wrong has three steps, and safety comes first', () => {
  for (const wrong of wrongs) expect(wrong.steps.length).toBe(3);
  expect(wrongs[0].steps[0]).toContain('No flame');
});

it('tells a night of looking as one row', () => {
  const turns = ['turn', 'look', 'look', 'look', 'turn', 'look', 'look', 'shut-off'].map((kind) => ({
    kind: kind as 'turn',
    cones: null
  }));
  expect(folded(turns).map((r) => [r.from, r.to])).toEqual([
    [0, 0],
    [1, 3],
    [4, 4],
    [5, 5],
    [6, 6],
    [7, 7]
  ]);
});
