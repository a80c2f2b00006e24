import { expect, test } from 'vitest';
import type { Profile } from '$lib/api/client';
import { boundOf, listOf, listText, numberOf, pairsOf, pairsText } from './profile-text';
import { controllerLine, keyWords, labelOf, minutesOf, questionOf, staleList } from './words';

const profile = {
  name: 'Wedge',
  give: 'rate',
  most: 8,
  hold: 'top',
  cooling: 'none',
  ask: [
    { id: 'rate', label: 'pace #' },
    { id: 'alarm', label: 'bell' }
  ]
} as unknown as Profile;

test('a question is called as the display calls it', () => {
  expect(labelOf(profile, 'rate.12')).toBe('pace 12');
  expect(labelOf(profile, 'alarm')).toBe('bell');
  expect(labelOf(profile, 'cone')).toBe('cone');
  expect(questionOf(profile, 'rate.3')?.step).toBe(3);
  expect(questionOf(profile, 'cone')).toBeNull();
});

test.each([
  ['until 5:00', '▲▼ until 5:00'],
  ['turn slow', 'turn to slow'],
  ['hand lid', 'Close the lid'],
  ['dot', '.'],
  ['7', '7']
])('key %s is written %s', (key, words) => expect(keyWords(key)).toBe(words));

test.each([
  ['6:30', 390],
  ['1 h 30', 90],
  ['2h', 120],
  ['90', 90],
  ['90 min', 90],
  ['', 0],
  ['soon', null],
  ['1:2:3', null]
])('a time of %s is %s minutes', (text, minutes) => expect(minutesOf(text)).toBe(minutes));

test('a controller is told in a line', () => {
  expect(controllerLine(profile)).toBe('told 8 climbs by degrees an hour, holds at the top only, no cooling');
  expect(controllerLine({ give: 'time', most: 9, cooling: 'steps' } as Profile)).toBe(
    'told 9 steps by how long each takes'
  );
  expect(controllerLine({ give: 'dials' } as Profile)).toBe('switches turned by hand');
});

test('why a program is not to be relied on is said in words', () =>
  expect(staleList(['edited', 'old'])).toBe(
    'the schedule was changed since; nobody has read it back for over 30 days'
  ));

test('lists and pairs are written in one field and read again', () => {
  expect(listOf(' 1, 2 ,, Oyster ')).toEqual(['1', '2', 'Oyster']);
  expect(listOf(' ,')).toBeNull();
  expect(listText(['a', 'b'])).toBe('a, b');
  const words = { full: '888', end: '0.00' };
  expect(pairsOf(pairsText(words))).toEqual(words);
  expect(pairsOf('full=888, end: 0.00')).toEqual(words);
  expect(pairsOf('full')).toBeNull();
});

test('a bound is a number, of a cone its name', () => {
  expect(boundOf('022', true)).toBe('022');
  expect(boundOf('12,5', false)).toBe(12.5);
  expect(boundOf('hot', false)).toBe('hot');
  expect(boundOf(' ', false)).toBeNull();
  expect(numberOf('hot')).toBeNull();
});
