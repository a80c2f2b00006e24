import { describe, expect, it } from 'vitest';
import { alongWith, asSure, bendWords, flat, past, readBend, standing } from './words';
import { faultIds } from '$lib/api/vocabulary';
import { faults } from './faults';

describe('what somebody types of a cone', () => {
  it.each([
    ['3', 45],
    ['12', 0],
    ['12.5', 7.5],
    ['half past 4', 67.5],
    ['4:30', 67.5],
    ['4,5', 67.5],
    ['5 o’clock', 75],
    ['down', 90],
    ['down, at 6', 90],
    ['flat', flat],
    ['Stands', standing],
    ['60°', 60],
    ['60 degrees', 60]
  ])('%s is %d°', (text, bend) => expect(readBend(text)).toBe(bend));

  it.each(['', 'soon', '13', '-1', '9', '200°', 'half past', 'NaN'])('“%s” is no reading', (text) =>
    expect(readBend(text)).toBeNull()
  );

  it('says it as the core does, short enough for its field', () =>
    expect([5, 45, 90, 110].map(bendWords)).toEqual(['stands', '3 o’clock', 'down, at 6', 'flat']));

  it('reads back what it says', () => {
    for (let bend = 18; bend <= 88; bend += 7.5) {
      const again = readBend(bendWords(bend));
      expect(again).not.toBeNull();
      expect(Math.abs((again ?? 0) - bend)).toBeLessThanOrEqual(3.75);
    }
  });
});

describe('cones of a pack that go along with one that was read', () => {
  it('stay where they were expected while that one is', () => expect(alongWith(70, 70, 25)).toBe(25));
  it('bend further with it, a cooler one always further than a hotter', () => {
    for (const bend of [15, 30, 50, 70, 95]) {
      expect(alongWith(bend, 60, 110)).toBeGreaterThanOrEqual(bend);
      expect(alongWith(bend, 60, 20)).toBeLessThanOrEqual(bend);
    }
    expect(alongWith(90, 60, 20)).toBeGreaterThan(alongWith(60, 60, 20));
  });
});

describe('words', () => {
  it('says how far past the goal a shelf was', () => {
    expect([past(6.4), past(-3), past(0.3)]).toEqual(['+6 °C', '−3 °C', 'on the cone']);
  });

  it('has a name, a look and a drawing of its own for every fault', () => {
    expect(faults.map((f) => f.id).toSorted()).toEqual([...faultIds].toSorted());
    for (const key of ['id', 'name', 'draw'] as const)
      expect(new Set(faults.map((f) => f[key])).size).toBe(faults.length);
  });
});

it('says a cause as sure as its number', () => {
  expect(asSure('Dull', 'slow band too short', 0.9)).toBe('Dull: slow band too short.');
  expect(asSure('Dull', 'slow band too short', 0.58)).toBe(
    'Dull, probably: slow band too short (58 of 100).'
  );
  expect(asSure('Dull', 'slow band too short', 0.36)).toBe('Dull, perhaps: slow band too short (36 of 100).');
});
