import { beforeEach, describe, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import type { Live, Spread } from './types';
import { alarmName, big, doing, expected, late, off, tagSign } from './words';

const start = new Date(2026, 10, 24, 8, 0).toISOString();
const now = new Date(2026, 10, 24, 9, 0);
const spread = (p10: number | null, p50: number | null, p90: number | null) => ({ p10, p50, p90 }) as Spread;

beforeEach(() => {
  display.zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  display.clock = 'twenty-four';
});

it('the tag says what the kiln does', () => {
  const says = (state: Parameters<typeof tagSign>[0], celsius: number | null) =>
    tagSign(state, celsius, 50).word;
  expect([says(null, null), says('planned', 20), says('started', 20), says('firing', 40)]).toEqual(
    Array(4).fill('FIRING')
  );
  expect([says('cooling', 300), says('stopped', 900), says('cooling', null)]).toEqual(
    Array(3).fill('COOLING')
  );
  expect([says('cooling', 50), says('opened', 300), says('closed', null)]).toEqual(['COOL', 'OPEN', 'OPEN']);
});

describe('where a firing is, in a few words', () => {
  it('says a temperature on the scale of whoever looks', () => {
    expect(big(1195.6, 'C')).toBe('1196°');
    expect(big(100, 'F')).toBe('212°');
    expect(big(null, 'C')).toBe('–');
    expect(big(0, 'C')).toBe('0°');
  });

  it('says nothing of what hardly matters', () => {
    expect([late(2.4), late(-2.4), late(7.2), late(-3), late(null)]).toEqual([
      'on plan',
      'on plan',
      '7 min behind',
      '3 min ahead',
      ''
    ]);
    expect(late(130)).toMatch(/2.*10.*behind$/);
    expect([off(6, 'C'), off(-6, 'F'), off(2, 'C'), off(undefined, 'C')]).toEqual([
      '6° over',
      '11° under',
      '',
      ''
    ]);
  });

  it.each([
    ['waiting', 'has not begun to heat'],
    ['climb', 'climbing to 1208°'],
    ['hold', 'holding at 1206°'],
    ['cool', 'cooling to 1208° at a rate'],
    ['off', 'power off, cooling']
  ])('names what the controller does: %s', (phase, words) => {
    expect(doing({ phase, state: 'firing', setPoint: 1206 } as Live, 1208, 'C')).toBe(words);
  });

  it('knows an end from a stop', () => {
    expect(doing({ phase: 'off', state: 'stopped' } as unknown as Live, null, 'C')).toBe(
      'stopped, power off'
    );
    expect(doing({ phase: 'off', state: 'opened' } as unknown as Live, null, 'C')).toBe('opened');
  });

  it('calls an alarm of a newer program by its own name', () => {
    expect(alarmName('power-cut')).toBe('the power was off');
    expect(alarmName('melted')).toBe('melted');
  });
});

describe('when something is expected', () => {
  it('is as sure as it is', () => {
    expect(expected(start, spread(356, 360, 364), now)).toBe('14:00 ± 4 min');
    expect(expected(start, spread(359.8, 360, 360.2), now)).toBe('14:00');
    expect(expected(start, spread(300, 360, null), now)).toBe('14:00, or much later');
    expect(expected(start, spread(null, null, null), now)).toBe('may never come');
  });

  it('says how late it may be where that is one-sided', () => {
    expect(expected(start, spread(350, 360, 460), now)).toBe('14:00, perhaps as late as 15:40');
  });

  it('names the day where it is another one', () => {
    expect(expected(start, spread(1430, 1440, 1450), now)).toMatch(/Wed.*08:00 ± 10 min/);
  });
});
