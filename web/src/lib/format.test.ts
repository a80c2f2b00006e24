import { afterEach, beforeEach, expect, test } from 'vitest';
import { display } from './display.svelte';
import {
  clock,
  counted,
  degrees,
  duration,
  hold,
  laterBy,
  money,
  number,
  plural,
  shortTime,
  when
} from './format';

const usual = { ...display };
beforeEach(() => Object.assign(display, { zone: 'Europe/London', clock: 'twenty-four' }));
afterEach(() => void Object.assign(display, usual));

test('numbers have a real minus and no needless decimals', () => {
  expect([number(-12.04), number(3.25), number(-0.01), number(1222.5, 0)]).toEqual([
    '−12',
    '3.3',
    '0',
    '1223'
  ]);
  expect(degrees(1221.6, 'C')).toBe('1222 °C');
  expect([money(9.85, '£'), money(-1.2, 'kr')]).toEqual(['£9.85', 'kr −1.20']);
});

test('times are said as people say them', () => {
  expect([duration(45), duration(125), duration(59.6), duration(1910)]).toEqual([
    '0 h 45',
    '2 h 05',
    '1 h 00',
    '31 h 50'
  ]);
  expect([hold(0), hold(null), hold(45), hold(90)]).toEqual(['', '', '45 min', '1 h 30']);
});

test('moments are on the studio’s clock', () => {
  const at = new Date('2026-07-01T20:05:00Z');
  expect(clock(at)).toBe('Wed 21:05');
  display.clock = 'twelve';
  expect(shortTime(at)).toBe('9:05 pm');
  display.zone = 'America/New_York';
  expect(shortTime(at)).toBe('4:05 pm');
});

test('days are counted by the studio’s midnight', () => {
  const now = new Date('2026-11-24T00:30:00Z');
  expect(when(new Date('2026-11-24T00:10:00Z'), now)).toBe('today 00:10');
  expect(when(new Date('2026-11-23T23:50:00Z'), now)).toBe('yesterday 23:50');
  expect(when(new Date('2026-09-12T10:00:00Z'), now)).toBe('12 Sept');
  expect(when(new Date('2025-09-12T10:00:00Z'), now)).toBe('12 Sept 2025');
});

test('later is later by the hour, across a change of the clocks', () => {
  expect(laterBy('2026-10-24T23:30:00+01:00', 4)).toBe('2026-10-25T02:30:00+00:00');
});

test('one is not many', () => {
  expect([plural(1, 'kiln'), plural(2, 'kiln'), plural(0, 'glaze'), plural(2, 'batch', 'batches')]).toEqual([
    '1 kiln',
    '2 kilns',
    '0 glazes',
    '2 batches'
  ]);
});

test('one piece of what is named by many', () => {
  expect([
    counted(26, 'mugs'),
    counted(1, 'mugs'),
    counted(1, 'dishes'),
    counted(1, 'glass'),
    counted(1, 'stoneware')
  ]).toEqual(['26 mugs', '1 mug', '1 dish', '1 glass', '1 stoneware']);
});
