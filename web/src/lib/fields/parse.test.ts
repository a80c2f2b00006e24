import { describe, expect, it } from 'vitest';
import { readHold, readNumber, readPace, readTime, sayTime } from './parse';

describe('what people type', () => {
  it.each([
    ['1040', 1040],
    ['1040.5', 1040.5],
    ['−5', -5],
    ['1040 °C', 1040],
    ['.5', 0.5],
    ['', null]
  ])('number %s', (text, value) => expect(readNumber(text)).toEqual({ value }));
  it.each(['a', '1,5', '1e3', '--1'])('no number: %s', (text) =>
    expect(readNumber(text)).toHaveProperty('error')
  );

  it.each([
    ['80', 'rate', 80],
    ['80 °C/h', 'rate', 80],
    ['full', 'full', null],
    ['off', 'natural', null],
    ['o', 'natural', null]
  ])('pace %s', (text, pace, rate) => expect(readPace(text)).toEqual({ value: { pace, rate } }));
  it('is no pace', () => expect(readPace('quick')).toHaveProperty('error'));

  it.each([
    ['45', 45],
    ['45 min', 45],
    ['1:30', 90],
    ['1 h 30', 90],
    ['1.5 h', 90],
    ['none', 0],
    ['', 0]
  ])('hold %s', (text, value) => expect(readHold(text)).toEqual({ value }));
  it('is no hold', () => expect(readHold('a while')).toHaveProperty('error'));

  it.each([
    ['21:05', '21:05'],
    ['2105', '21:05'],
    ['9:05 pm', '21:05'],
    ['9:05pm', '21:05'],
    ['9 pm', '21:00'],
    ['9 p.m.', '21:00'],
    ['12 am', '00:00'],
    ['12:30 pm', '12:30'],
    ['7', '07:00'],
    ['7.30', '07:30'],
    ['noon', '12:00'],
    ['00:00', '00:00']
  ])('time %s', (text, value) => expect(readTime(text)).toEqual({ value }));
  it.each(['25:00', '12:60', '13 pm', '0 am', 'late', ''])('no time: %s', (text) =>
    expect(readTime(text)).toHaveProperty('error')
  );
  it('is written and read back on either clock, for every minute of a day', () => {
    for (let m = 0; m < 1440; m++) {
      const time = `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
      for (const clock of ['twenty-four', 'twelve'] as const)
        expect(readTime(sayTime(time, clock))).toEqual({ value: time });
    }
  });
});
