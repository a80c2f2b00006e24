import { expect, test } from 'vitest';
import { display } from '$lib/display.svelte';
import { inForce, nearest } from './entries';
import type { Entry } from './types';

const entry = (key: string, kind: Entry['kind'], subject: string | null = null) =>
  ({ key, kind, subject, at: '2026-11-24T02:00:00Z', canBeChanged: true }) as Entry;

test('what was taken back counts no more', () => {
  const all = [
    entry('a', 'before', 'Ware is dry'),
    entry('b', 'reading'),
    entry('c', 'taken-back', 'a'),
    entry('d', 'retimed', 'b')
  ];
  expect(inForce(all).map((e) => e.key)).toEqual(['b']);
});

test.each([
  ['02:30', '2026-11-24T02:30:00Z'],
  ['230', '2026-11-24T02:30:00Z'],
  ['23.50', '2026-11-23T23:50:00Z'],
  ['0:10', '2026-11-24T00:10:00Z']
])('%s is the one nearest to when it was noted', (text, moment) => {
  display.zone = 'Etc/UTC';
  expect(Date.parse(nearest(text, new Date('2026-11-24T02:00:00Z')) ?? '')).toBe(Date.parse(moment));
});

test.each(['', 'soon', '25:00', '12:70', '7'])('%s is no time of day', (text) => {
  expect(nearest(text, new Date('2026-11-24T02:00:00Z'))).toBeNull();
});
