// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import type { Lot } from '$lib/api/client';
import { Page } from '$lib/testing/page';
import LotRow from './LotRow.svelte';

let page: Page;
afterEach(() => page.close());

function row(lot: Partial<Lot>, kind = 'bisque', messages: Record<string, string> = {}) {
  const draft = { body: { kind }, messages, editLot: vi.fn(), addLot: vi.fn(), removeLot: vi.fn() };
  page = new Page(LotRow as never, { draft, lot, row: 2, clays: [], glazes: [] });
  return draft;
}

test('a number goes to the lot it stands in, as one thing to undo', () => {
  const draft = row({ what: 'mugs', count: 12 });
  page.type('pieces', '24');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { count: 24 }, '2.count');
  page.type('pieces', '');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { count: null }, '2.count');
});

test('a wall in another unit is kept as it was typed, beside what else was', () => {
  const draft = row({ what: 'mugs', typed: { width: '10 in' } });
  page.type('wall, mm', '1/4 in');
  expect(draft.editLot).toHaveBeenLastCalledWith(
    2,
    { wall: expect.closeTo(6.35, 9) as number, typed: { width: '10 in', wall: '1/4 in' } },
    '2.wall'
  );
});

test('typed in the studio’s own unit there is nothing more to keep', () => {
  const draft = row({ what: 'mugs', typed: { wall: '1/4 in' } });
  page.type('wall, mm', '6');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { wall: 6, typed: null }, '2.wall');
});

test('how wet it is is asked in the words of what it is', () => {
  const words = () => [...page.find<HTMLSelectElement>('How dry').options].map((o) => o.text);
  row({ what: 'mugs' });
  expect(words()).toEqual(['bone dry', 'cool to touch', 'damp', 'leather hard']);
  page.close();
  row({ what: 'mugs' }, 'refiring');
  expect(words()).toEqual(['dry', 'washed or used']);
  page.close();
  const draft = row({ what: 'mugs' }, 'glaze');
  expect(words()).toEqual(['glaze is dry', 'freshly glazed, still wet']);
  page.choose('How dry', 'damp');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { dryness: 'damp' }, null);
});

test('what the planner minds is said in its row, and only there', () => {
  row({ what: 'mugs' }, 'bisque', {
    'lots[2].wall': 'A wall is 2 to 100 mm.',
    'lots[3].count': 'Not this row.'
  });
  expect(page.find('wall, mm').getAttribute('aria-invalid')).toBe('true');
  expect(page.text('[data-testid=lot]')).toContain('A wall is 2 to 100 mm.');
  expect(page.text('[data-testid=lot]')).not.toContain('Not this row.');
});

test('what is not said stays out of the sentence until somebody looks for more', () => {
  const draft = row({ what: 'jugs', pieceKg: 0.9, piece: { handle: 45 } });
  expect(page.find('handle, mm').value).toBe('45');
  expect(page.find('each, kg').value).toBe('0.9');
  expect(() => page.find('flat, mm')).toThrow();
  expect(() => page.find('must go')).toThrow();
  // What can burst is always asked of raw ware.
  page.find('closed hollow').click();
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { closedHollow: true }, null);
  page.press('More about lot 3');
  page.type('flat, mm', '250');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { width: 250, typed: null }, '2.width');
  page.choose('How it is stacked', 'layers');
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { piece: { handle: 45, stacking: 'layers' } }, null);
  page.find('must go').click();
  expect(draft.editLot).toHaveBeenLastCalledWith(2, { must: true }, null);
  page.close();
  row({ what: 'jugs' }, 'glaze');
  expect(() => page.find('closed hollow')).toThrow();
});

test('a lot is duplicated and removed', () => {
  const lot = { what: 'mugs', count: 3 };
  const draft = row(lot);
  page.press('Duplicate lot 3');
  expect(draft.addLot).toHaveBeenCalledWith(2, lot);
  page.press('Remove lot 3');
  expect(draft.removeLot).toHaveBeenCalledWith(2);
});
