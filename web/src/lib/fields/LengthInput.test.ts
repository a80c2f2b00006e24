// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import { display } from '$lib/display.svelte';
import { Page } from '$lib/testing/page';
import LengthInput from './LengthInput.svelte';

let page: Page;
afterEach(() => {
  page.close();
  display.length = 'mm';
});

function field(value: number | null) {
  const onvalue = vi.fn();
  page = new Page(LengthInput as never, { label: 'Height', value, onvalue });
  return onvalue;
}

test('a length is shown and read in the studio’s unit, whatever it is typed in', () => {
  const onvalue = field(100);
  expect(page.find('Height, mm').value).toBe('100');
  page.choose('Height, mm', '4 in');
  expect(onvalue.mock.lastCall?.[0]).toBeCloseTo(101.6, 9);
  page.choose('Height, mm', '12,5');
  expect(onvalue).toHaveBeenLastCalledWith(12.5);
});

test('in inches it is shown so', () => {
  display.length = 'in';
  field(101.6);
  expect(page.find('Height, in').value).toBe('4');
});

test('what is no length is marked with why, and nothing is taken', () => {
  const onvalue = field(null);
  page.choose('Height, mm', 'tall');
  expect(page.find('Height, mm').getAttribute('aria-invalid')).toBe('true');
  expect(page.find('Height, mm').title).not.toBe('');
  expect(onvalue).not.toHaveBeenCalled();
});
