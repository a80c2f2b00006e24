import { describe, expect, it } from 'vitest';
import { coneOutline, coneTip } from './outline';

describe('a cone as it is drawn', () => {
  it('leans further the more it is bent, and lies with its tip at its foot at 90°', () => {
    const tips = [0, 30, 60, 90].map((bend) => coneTip(50, bend));
    const heights = tips.map((t) => t.y);
    expect(heights).toEqual(heights.toSorted((a, b) => a - b));
    expect(new Set(heights).size).toBe(4);
    expect(heights[0]).toBeLessThan(84 - 65);
    expect(heights[3]).toBeGreaterThan(84 - 8);
    expect(tips[3]?.x).toBeLessThan(50 - 30);
  });

  it('never goes through the plaque, however far it is bent', () => {
    for (const bend of [0, 45, 90, 119, 500]) {
      const numbers = [...coneOutline(50, bend).matchAll(/-?\d+\.\d (-?\d+\.?\d*)/g)].map((m) =>
        Number(m[1])
      );
      expect(numbers.length).toBeGreaterThan(30);
      expect(Math.max(...numbers)).toBeLessThanOrEqual(84);
      expect(coneTip(50, bend).y).toBeLessThanOrEqual(84);
    }
  });

  it('stands where it is put', () => {
    expect(coneTip(150, 40).x - coneTip(50, 40).x).toBeCloseTo(100, 9);
  });
});
