import { beforeEach, describe, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import { makeFrame, temperatureTicks, timeTicks } from './frame';
import { glowAt, glowStops } from './glow';
import { path, temperatureAt } from './line';

const frame = (minutes = 600, peak = 1222, unit: 'C' | 'F' = 'C') =>
  makeFrame(900, 320, minutes, peak, 20, unit);

describe('the ground a firing is drawn on', () => {
  it('has room above the top and nothing outside', () => {
    const f = frame();
    expect(f.y(1222)).toBeGreaterThan(f.top);
    expect(f.x(0)).toBe(f.left);
    expect(f.x(600)).toBe(900 - f.right);
    for (const t of temperatureTicks(f)) {
      expect(f.y(t)).toBeLessThan(320 - f.bottom);
      expect(f.y(t)).toBeGreaterThanOrEqual(f.top);
    }
  });

  it('does not make a drying firing look like a glaze firing', () => {
    const f = frame(300, 110);
    expect(f.high).toBeGreaterThanOrEqual(240);
    expect(f.y(110)).toBeGreaterThan(f.top + 100);
  });

  it('takes half an hour for a firing without a length', () => {
    expect(frame(0).x.domain()).toEqual([0, 30]);
  });

  it.each([
    [45, '0.25 h'],
    [600, '1 h'],
    [48 * 60, '6 h'],
    [30 * 24 * 60, '96 h']
  ])('names round hours on %d minutes', (minutes, second) => {
    const ticks = timeTicks(frame(minutes), null);
    expect(ticks[1]?.text).toBe(second);
    expect(ticks.length).toBeLessThan(16);
    expect(ticks.every((t) => t.minute >= 0 && t.minute <= minutes && !t.midnight)).toBe(true);
  });
});

describe('the clock under a firing', () => {
  beforeEach(() => (display.zone = Intl.DateTimeFormat().resolvedOptions().timeZone));

  it('ticks at round hours and names each new day at its midnight', () => {
    const start = new Date(2026, 10, 24, 19, 20);
    const ticks = timeTicks(frame(20 * 60), start);
    for (const tick of ticks) {
      const at = new Date(start.getTime() + tick.minute * 60_000);
      expect(at.getMinutes()).toBe(0);
      expect(tick.midnight).toBe(at.getHours() === 0);
    }
    expect(ticks.filter((t) => t.midnight)).toHaveLength(1);
    expect(ticks.find((t) => t.midnight)?.text).toMatch(/Wed/);
  });
});

describe('a curve', () => {
  const curve = [
    { minute: 0, temperature: 20 },
    { minute: 60, temperature: 120 },
    { minute: 60, temperature: 140 },
    { minute: 90, temperature: Number.NaN },
    { minute: 120, temperature: 200 }
  ];

  it('is straight between its points and has nothing outside them', () => {
    expect(temperatureAt(curve, 30)).toBe(70);
    expect(temperatureAt(curve, 60)).toBe(120);
    expect(temperatureAt(curve, 120)).toBe(200);
    expect(temperatureAt(curve, 75), 'beside a point nobody knows').toBeNull();
    expect(temperatureAt(curve, 90)).toBeNull();
    expect(temperatureAt(curve, 121)).toBeNull();
    expect(temperatureAt(curve, -1)).toBeNull();
    expect(temperatureAt([], 0)).toBeNull();
  });

  it('is broken where nobody knows what was there', () => {
    const drawn = path(curve, frame(120, 200));
    expect(drawn.match(/M/g)).toHaveLength(2);
    expect(drawn).not.toContain('NaN');
    expect(path([], frame())).toBe('');
  });
});

describe('the colour of heat', () => {
  it('is the same on either scale, and none below dull red', () => {
    expect(glowAt(1222, 'C')).toBe(glowAt(2231.6, 'F'));
    expect(glowAt(20, 'C')).toBe('#857b71');
    expect(glowAt(-40, 'F')).toBe('#857b71');
    expect(glowAt(560, 'C')).not.toBe(glowAt(440, 'C'));
  });

  it('climbs from the foot of a chart to its top', () => {
    const offsets = glowStops(20, 1300, 'C').map((s) => s.offset);
    expect(offsets).toEqual(offsets.toSorted((a, b) => a - b));
    expect(offsets[0]).toBe(0);
    expect(offsets.at(-1)).toBe(1);
  });
});
