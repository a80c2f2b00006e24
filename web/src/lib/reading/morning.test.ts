import { expect, it } from 'vitest';
import { gotThere, nextTop } from './morning';

it('says how far each shelf got', () => {
  const shelf = (past: number, bound = 0) => gotThere({ shelf: 'top', past, bound }, '6');
  expect([shelf(0), shelf(2), shelf(-2)]).toEqual(Array(3).fill('at cone 6'));
  expect(shelf(-9)).toBe('9° short of cone 6');
  expect(shelf(7)).toBe('7° past cone 6');
  expect(shelf(12, 1)).toBe('at least 12° past cone 6');
  expect(shelf(-12, -1)).toBe('at least 12° short of cone 6');
  expect(shelf(-5, 1)).toBe('at most 5° short of cone 6');
});

it('says the change in a few words, on the scale of the studio', () => {
  const change = (
    kelvins: number,
    holdMinutes: number,
    text = 'Off from the top to 750 °C; nothing held back.'
  ) => ({ patch: 'work+', text, kelvins, holdMinutes, scheduleId: 1, schedule: 'S', movedOn: null }) as const;
  expect(nextTop(change(2, 0), 'C')).toBe('Next top +2 °C');
  expect(nextTop(change(-5, 15), 'F')).toBe('Next top −9 °F, hold 15 min longer');
  expect(nextTop(change(0, -7), 'C')).toBe('Next hold 7 min shorter');
  expect(nextTop(change(0, 0), 'C')).toBe('Off from the top to 750 °C');
});
