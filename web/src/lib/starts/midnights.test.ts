import { expect, test } from 'vitest';
import { midnights } from './midnights';

const utc = (from: string, to: string, zone: string) =>
  midnights(new Date(from), new Date(to), zone).map((at) => at.toISOString());

test('midnight is the zone’s, not the browser’s', () => {
  expect(utc('2026-11-24T20:00Z', '2026-11-26T12:00Z', 'Europe/Paris')).toEqual([
    '2026-11-24T23:00:00.000Z',
    '2026-11-25T23:00:00.000Z'
  ]);
  expect(utc('2026-11-24T20:00Z', '2026-11-25T08:00Z', 'America/New_York')).toEqual([
    '2026-11-25T05:00:00.000Z'
  ]);
});

test('a night with a change of hour has one', () => {
  expect(utc('2026-10-24T12:00Z', '2026-10-26T12:00Z', 'Europe/London')).toEqual([
    '2026-10-24T23:00:00.000Z',
    '2026-10-26T00:00:00.000Z'
  ]);
});

test('there is none within a day, and a start at midnight is no night yet to come', () => {
  expect(utc('2026-11-24T08:00Z', '2026-11-24T20:00Z', 'Europe/London')).toEqual([]);
  expect(utc('2026-11-24T00:00Z', '2026-11-25T00:00Z', 'Europe/London')).toEqual([]);
});
