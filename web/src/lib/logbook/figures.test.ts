import { afterEach, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import { apart, sayFigure } from './figures';

const on = (change: Partial<typeof display>) => Object.assign(display, change);
afterEach(() => on({ unit: 'C', mass: 'kg', currency: '' }));

it('says each figure in its unit, on the studio’s scales', () => {
  on({ currency: '£' });
  expect(sayFigure({ name: 'top', unit: '°C' }, 1211.4)).toBe('1211 °C');
  expect(sayFigure({ name: 'cost', unit: '' }, 29)).toBe('£29.00');
  expect(sayFigure({ name: 'to120', unit: 'h' }, 1.26)).toBe('1 h 16');
  expect(sayFigure({ name: 'past', unit: '°C of cone' }, 8.77)).toBe('9 °C of cone');
  on({ unit: 'F', mass: 'lb' });
  expect(sayFigure({ name: 'top', unit: '°C' }, 1211.4)).toBe('2213 °F');
  expect(sayFigure({ name: 'past', unit: '°C of cone' }, 8.77)).toBe('16 °F of cone');
  expect(sayFigure({ name: 'rate573Up', unit: '°C/h' }, 150)).toBe('270 °F/h');
  expect(sayFigure({ name: 'gas', unit: 'kg' }, 27.2)).toBe('60 lb');
});

it('tells two apart with a sign, more by their spread, and what nobody knows not at all', () => {
  const top = { name: 'top', unit: '°C' };
  expect(apart(top, [1210, 1222])).toBe('+12 °C');
  expect(apart(top, [1222, 1210])).toBe('−12 °C');
  expect(apart(top, [1210, 1210.2])).toBe('same');
  expect(apart(top, [1210, null])).toBe('');
  expect(apart(top, [1210, null, 1262])).toBe('52 °C');
  on({ unit: 'F' });
  expect(apart(top, [1210, 1220])).toBe('+18 °F');
  expect(apart({ name: 'topHours', unit: 'h' }, [11.5, 11.5])).toBe('same');
});
