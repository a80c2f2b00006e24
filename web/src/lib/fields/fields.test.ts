// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { display } from '$lib/display.svelte';
import { Page } from '$lib/testing/page';
import MeasureField from './MeasureField.svelte';
import MomentField from './MomentField.svelte';

let page: Page;
const usual = { ...display };
beforeEach(() =>
  Object.assign(display, { zone: 'Europe/London', length: 'mm', mass: 'kg', clock: 'twenty-four' })
);
afterEach(() => {
  page.close();
  Object.assign(display, usual);
});

function measure(what: 'length' | 'mass', value: number | null, typed?: string) {
  const onvalue = vi.fn();
  page = new Page(MeasureField as never, { what, label: 'wall', value, typed, onvalue });
  return onvalue;
}

test('a number in the studio’s own unit is only a number', () => {
  const onvalue = measure('length', 6);
  expect(page.find('wall, mm').value).toBe('6');
  page.type('wall, mm', '8.5');
  expect(onvalue).toHaveBeenLastCalledWith(8.5, null);
});

test('another unit is understood, and what was typed is kept beside the number', () => {
  const onvalue = measure('length', null);
  page.type('wall, mm', '3/8 in');
  expect(onvalue).toHaveBeenLastCalledWith(expect.closeTo(9.525, 9), '3/8 in');
  page.type('wall, mm', '');
  expect(onvalue).toHaveBeenLastCalledWith(null, null);
});

test('a bare fraction is kept with the unit it was meant in', () => {
  display.length = 'in';
  const onvalue = measure('length', null);
  page.type('wall, in', '3/8');
  expect(onvalue).toHaveBeenLastCalledWith(expect.closeTo(9.525, 9), '3/8 in');
});

test('what was typed is shown again, the number where nothing was', () => {
  measure('length', 9.525, '3/8 in');
  expect(page.find('wall, mm').value).toBe('3/8 in');
  page.close();
  measure('mass', 0.5669904625);
  expect(page.find('wall, kg').value).toBe('0.567');
});

test('what cannot be read stays, is marked, and changes nothing', () => {
  const onvalue = measure('length', 6);
  page.type('wall, mm', 'thick');
  page.leave('wall, mm');
  const field = page.find('wall, mm');
  expect(field.value).toBe('thick');
  expect(field.getAttribute('aria-invalid')).toBe('true');
  expect(field.title).toContain('3/8 in');
  expect(onvalue).not.toHaveBeenCalled();
  page.type('wall, mm', '7');
  expect(field.getAttribute('aria-invalid')).toBeNull();
});

function moment(at: string | null) {
  const onvalue = vi.fn();
  page = new Page(MomentField as never, { id: 'start', label: 'Start', moment: at, onvalue });
  return onvalue;
}

test('a moment is shown on the studio’s clock, whatever offset it came with', () => {
  moment('2026-11-24T12:30:00-05:00');
  expect(page.find('Start: day').value).toBe('2026-11-24');
  expect(page.find('Start: time').value).toBe('17:30');
});

test('another day keeps the time, another time keeps the day', () => {
  const onvalue = moment('2026-11-24T17:30:00+00:00');
  page.choose('Start: day', '2027-06-01');
  expect(onvalue).toHaveBeenLastCalledWith('2027-06-01T17:30:00+01:00');
});

test('the first day chosen begins at nine; no day is no moment', () => {
  const onvalue = moment(null);
  page.choose('Start: day', '2026-12-03');
  expect(onvalue).toHaveBeenLastCalledWith('2026-12-03T09:00:00+00:00');
  page.choose('Start: day', '');
  expect(onvalue).toHaveBeenLastCalledWith(null);
});

test('twelve hours where the studio counts so', () => {
  display.clock = 'twelve';
  moment('2026-11-24T21:05:00+00:00');
  expect(page.find('Start: time').value).toBe('9:05 pm');
});
