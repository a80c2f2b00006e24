// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import { Page } from '$lib/testing/page';
import TakesMore from './TakesMore.svelte';

let page: Page;
afterEach(() => page.close());

test('what would take more is told with how much, and done with one press', () => {
  const choices = [
    { kind: 'handles-turned', placed: 38, fits: false, shelves: 3, share: 0.412 },
    { kind: 'other-kiln', kiln: 'Bittern', kilnId: 3, placed: 40, fits: true, shelves: 4, share: 0.3 },
    { kind: 'tumbled', placed: 40, fits: true, shelves: 0, share: 0 }
  ];
  const loop = { lots: [{ count: 30 }, { count: 10 }, {}], choices, choose: vi.fn() };
  page = new Page(TakesMore as never, { loop });
  const said = (n: number) => page.text(`li:nth-child(${n}) span`);
  expect(said(1)).toBe('With handles turned as drawn: 38 of 40, 41 % full');
  expect(said(2)).toBe('In Bittern: all 40, 30 % full');
  expect(said(3)).toBe('In a heap, as some do with ware that may be marked: about all 40');
  page.press('Move it there');
  expect(loop.choose).toHaveBeenCalledExactlyOnceWith(choices[1]);
  expect(page.has('li:nth-child(3) button'), 'a heap is only estimated').toBe(false);
});
