import { expect, it } from 'vitest';
import { differences } from './differences';

it('tells every place two versions differ in, in words', () => {
  const mine = { name: 'Heron', lots: [{ what: 'mugs', wall: 6 }], days: ['mon'], kilnId: 1, notes: null };
  const theirs = {
    name: 'Heron',
    lots: [{ what: 'mugs', wall: 8 }, { what: 'tiles' }],
    days: ['mon', 'tue'],
    kilnId: 2,
    notes: ''
  };
  expect(differences(mine, theirs)).toEqual([
    { place: 'lots 1, wall', mine: '6', theirs: '8' },
    { place: 'lots 2', mine: '–', theirs: 'something' },
    { place: 'days', mine: 'mon', theirs: 'mon, tue' },
    { place: 'kiln', mine: '1', theirs: '2' },
    { place: 'notes', mine: '–', theirs: '–' }
  ]);
});

it('says nothing of what is the same', () =>
  expect(differences({ a: [1, { b: 2 }] }, { a: [1, { b: 2 }] })).toEqual([]));
