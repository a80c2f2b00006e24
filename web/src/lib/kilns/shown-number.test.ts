import { afterEach, expect, it } from 'vitest';
import { display } from '$lib/display.svelte';
import { readShown, shown, shownIn } from './shown-number';

const [warm, long, heavy, litres] = [{ unit: '°C' }, { unit: 'mm' }, { unit: 'kg' }, { unit: 'L' }];
afterEach(() => Object.assign(display, { unit: 'C', length: 'mm', mass: 'kg' }));

it('shows and reads a kiln of °C in a studio of °F, inches and pounds', () => {
  Object.assign(display, { unit: 'F', length: 'in', mass: 'lb' });
  expect([warm, long, heavy, litres].map(shownIn)).toEqual(['°F', 'in', 'lb', 'L']);
  expect(shown(warm, 1290, 'C')).toBe('2354');
  expect(shown(long, 76.2, 'C')).toBe('3');
  expect(shown(litres, 190, 'C')).toBe('190');
  expect(shown(warm, null, 'C')).toBe('');
  expect(readShown(warm, '2354', 'C')).toEqual({ value: 1290 });
  expect(readShown(warm, '1290 °C', 'C')).toEqual({ value: 1290 });
  expect(readShown(long, '4 1/2', 'C')).toEqual({ value: 114.3 });
  expect(readShown(heavy, '100', 'C')).toEqual({ value: 45.3592 });
  expect(readShown(heavy, '47 kg', 'C')).toEqual({ value: 47 });
  expect(readShown(litres, '7 ft³', 'C')).toEqual({ value: 198.218 });
  expect([shownIn({ unit: 'cm²' }), shown({ unit: 'cm²' }, 225, 'C')]).toEqual(['in²', '34.9']);
  expect(readShown({ unit: 'cm²' }, '34.9', 'C')).toEqual({ value: 225.161 });
  expect(readShown(warm, 'hot', 'C')).toHaveProperty('error');
});

it('leaves a kiln of °F as it is where the studio reads °F', () => {
  Object.assign(display, { unit: 'F' });
  expect(shown(warm, 2300, 'F')).toBe('2300');
  expect(readShown(warm, '2300', 'F')).toEqual({ value: 2300 });
  Object.assign(display, { unit: 'C' });
  expect(readShown(warm, '1260', 'F')).toEqual({ value: 2300 });
});
