import { afterEach, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import { sheetFacts } from './sheet-facts';

afterEach(() => Object.assign(display, { unit: 'C', mass: 'kg', currency: '' }));

it('says what is known of a firing in one line, gas by weight', () => {
  Object.assign(display, { currency: '£' });
  expect(
    sheetFacts({ top: 1261.6, topHours: 13.15, hold: 27, gas: 27.18, kwh: 380, cost: 53.2, opened: 50 })
  ).toBe('Top 1262 °C after 13 h 09, 27 min there, 27.2 kg of gas, £53.20, opened at 50 °C.');
  expect(sheetFacts({ kwh: 101.2 })).toBe('101 kWh.');
  expect(sheetFacts({})).toBe('');
  Object.assign(display, { unit: 'F', mass: 'lb' });
  expect(sheetFacts({ top: 1261.6, gas: 27.18 })).toBe('Top 2303 °F, 59.9 lb of gas.');
});
