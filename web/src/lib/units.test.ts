import { describe, expect, it } from 'vitest';
import { perKelvin, toCelsius, toUnit } from './units';

describe('degrees on either scale', () => {
  it('knows freezing, boiling and cone 6', () => {
    expect([0, 100, 1222].map((t) => toUnit(t, 'F'))).toEqual([32, 212, expect.closeTo(2231.6, 9)]);
    expect(toUnit(1222, 'C')).toBe(1222);
    expect([perKelvin('C'), perKelvin('F')]).toEqual([1, 1.8]);
  });

  it('comes back to where it was', () => {
    for (let t = -20; t <= 1400; t += 7) expect(toCelsius(toUnit(t, 'F'), 'F')).toBeCloseTo(t, 9);
    expect(toCelsius(600, 'C')).toBe(600);
  });
});
