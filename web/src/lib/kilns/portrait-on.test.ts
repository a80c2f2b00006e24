import { expect, it } from 'vitest';
import type { KilnPortrait } from '$lib/api/client';
import { portraitOn } from './portrait-on';

const portrait = {
  unit: 'C',
  climb: [{ temperature: 100, rate: 300 }],
  fall: [{ temperature: 1000, rate: -200 }],
  hottest: 1290,
  usual: [{ kind: 'glaze', line: '', cooling: [{ temperature: 500, minutes: 400 }] }],
  settings: [{ temperature: 200, pressureBar: 0.1, damper: 0.5, rate: 90 }],
  coolings: [{ damper: 0, curve: [{ minute: 0, temperature: 1200 }] }]
} as unknown as KilnPortrait;

it('moves every temperature and every rate, and comes back to where it was', () => {
  const there = portraitOn(portrait, 'F');
  expect(there.climb[0]).toEqual({ temperature: 212, rate: 540 });
  expect(there.hottest).toBe(2354);
  expect(there.usual[0]?.cooling[0]?.temperature).toBe(932);
  expect(there.settings?.[0]?.rate).toBe(162);
  expect(there.coolings?.[0]?.curve[0]?.temperature).toBe(2192);
  const back = portraitOn(there, 'C');
  expect(back.fall[0]?.rate).toBeCloseTo(-200);
  expect(back.hottest).toBeCloseTo(1290);
  expect(portraitOn(portrait, 'C')).toBe(portrait);
});
