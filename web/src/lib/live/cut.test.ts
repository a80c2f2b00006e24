import { expect, test } from 'vitest';
import { ofTheCut, toldOnce, unseenCut } from './cut';
import type { Alarm } from './types';

const alarm = (id: string, since: number, until: number | null, by: string | null = null) =>
  ({ id, weight: 'warn', since, until, acknowledgedBy: by, note: null, text: '', evidence: '' }) as Alarm;

test('silence that ends with a power cut is told with it', () => {
  const cut = alarm('power-cut', 377, 377);
  const silence = alarm('no-reading', 366, 377);
  expect(toldOnce([silence, cut])).toEqual([cut]);
  expect(ofTheCut(cut, [silence, cut])).toEqual([silence]);
});

test('what goes on, ended at another time or was seen is told by itself', () => {
  const cut = alarm('power-cut', 377, 377);
  const others = [
    alarm('no-reading', 366, null),
    alarm('no-heat', 100, 140),
    alarm('no-reading', 366, 377, 'Maren'),
    alarm('stalled', 370, 377)
  ];
  expect(toldOnce([...others, cut])).toEqual([...others, cut]);
});

test('a cut somebody has seen is no news, nor is any other alarm', () => {
  expect(unseenCut([alarm('no-heat', 1, null), alarm('power-cut', 2, 3)])).toBe(true);
  expect(unseenCut([alarm('power-cut', 2, 3, 'Maren'), alarm('no-reading', 1, null)])).toBe(false);
  expect(unseenCut([])).toBe(false);
});
