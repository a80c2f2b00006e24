import { afterEach, describe, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import { mark, reach, sayForetold, sayOff, slots, type ScoreFigure } from './score';

const figure = (unit: string, points: Partial<ScoreFigure['points'][number]>[]): ScoreFigure =>
  ({
    kind: 'top-over',
    label: 'Hours',
    unit,
    points: points.map((p, i) => ({
      firingId: i + 1,
      name: `Load ${i + 1}`,
      at: '2026-01-01T00:00:00Z',
      shelf: null,
      from: 9,
      likely: 10,
      to: 12,
      came: 10,
      isInside: true,
      ...p
    }))
  }) as unknown as ScoreFigure;

describe('what was foretold and what came', () => {
  afterEach(() => (display.unit = 'C'));

  it('is said with its unit, on the scale of the studio', () => {
    expect(sayForetold({ unit: 'h' }, 9.5)).toBe('9 h 30');
    expect(sayForetold({ unit: '°C' }, 1208)).toBe('1208 °C');
    expect(sayForetold({ unit: 'kWh' }, 81.4)).toBe('81 kWh');
    display.unit = 'F';
    expect(sayForetold({ unit: '°C of cone' }, 1222)).toBe('2232 °F');
  });

  it('is told apart with a sign, and with none where they are the same', () => {
    expect(sayOff({ unit: 'h' }, 0.4)).toBe('+24 min');
    expect(sayOff({ unit: 'h' }, -1.5)).toBe('−1 h 30');
    expect(sayOff({ unit: '°C' }, 0.2)).toBe('0 °C');
    expect(sayOff({ unit: 'kWh' }, -6.6)).toBe('−7 kWh');
    display.unit = 'F';
    expect(sayOff({ unit: '°C' }, -5)).toBe('−9 °F');
  });

  it('stands in the order of the firings, shelves of one beside each other', () => {
    const all = slots(
      figure('°C of cone', [
        { firingId: 7, shelf: 'top' },
        { firingId: 7, shelf: 'bottom', came: 13 },
        { firingId: 9 }
      ])
    );
    expect(all.map((s) => s.at)).toEqual([...all.map((s) => s.at)].sort((a, b) => a - b));
    expect(all[1]?.at).toBeLessThan(0.5);
    expect(all[2]?.at).toBe(0.75);
    expect([all[1]?.low, all[1]?.high, all[1]?.came]).toEqual([-1, 2, 3]);
    expect(all[1]?.title).toContain('Load 2, bottom: foretold 9 °C to 12 °C, came 13 °C');
  });

  it('lets one that is far off hide none of the others', () => {
    const usual = Array.from({ length: 9 }, () => ({}));
    expect(reach(slots(figure('h', usual)))).toBeCloseTo(2.2);
    expect(reach(slots(figure('h', [...usual, { came: 60, isInside: false }])))).toBeCloseTo(6.6);
  });

  it.each([
    ['h', 0.4, '+10 min'],
    ['h', 3, '+2 h 00'],
    ['°C', 14, '+10 °C'],
    ['kWh', 70, '+50 kWh']
  ])('is read by a round number: %s, %d', (unit, most, text) => {
    expect(mark(unit, most).text).toBe(text);
    expect(mark(unit, most).value).toBeLessThan(most);
  });
});
