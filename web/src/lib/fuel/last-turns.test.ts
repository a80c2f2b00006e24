import { describe, expect, it } from 'vitest';
import { beside } from './last-turns';

const made = (...minutes: number[]) => minutes.map((minute) => ({ minute, set: `${minute}`, celsius: null }));
const rows = (...minutes: number[]) => minutes.map((minute) => ({ turn: { minute } }));

describe('what was turned the last time', () => {
  it('stands with the planned row it came after, each once, in order', () => {
    const shown = beside(rows(0, 30, 60), made(2, 28, 30, 45, 61, 400));
    expect(shown.map((r) => r.made.map((m) => m.minute))).toEqual([
      [2, 28],
      [30, 45],
      [61, 400]
    ]);
  });

  it('is nowhere on a sheet without rows, and nothing without turns', () => {
    expect(beside([], made(1))).toEqual([]);
    expect(beside(rows(0), [])[0]?.made).toEqual([]);
  });
});
