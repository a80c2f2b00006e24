// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import type { Acceptance, Finding } from '$lib/api/client';
import { Page } from '$lib/testing/page';
import { until } from '$lib/testing/until';
import FindingRows from './FindingRows.svelte';

const fix = { text: 'Use 100 °C/h there', segment: 1, steps: [] };
const finding = {
  id: 'quartz-up',
  severity: 'look',
  segment: 1,
  text: 'Fast through 573 °C.',
  why: 'Quartz grows at once.',
  fixes: [fix],
  basis: { formula: 'r ≤ 12 600/L²', numbers: 'L = 5 mm', source: 'Heat conduction.' }
} as unknown as Finding;

let page: Page;
afterEach(() => page.close());

function rows(accepted: readonly Acceptance[] | null) {
  const told = {
    onselect: vi.fn(),
    onpoint: vi.fn(),
    onfix: vi.fn(),
    onaccept: vi.fn(),
    onwithdraw: vi.fn()
  };
  page = new Page(FindingRows as never, { findings: [finding], accepted, ...told });
  return told;
}

test('a finding says how grave it is, where it is and what would mend it', () => {
  const told = rows(null);
  expect(page.text('[data-finding]')).toContain('Fast through 573 °C. Quartz grows at once.');
  expect(page.has('[aria-label="worth a look"]')).toBe(true);
  page.press('Step 2.');
  expect(told.onselect).toHaveBeenCalledWith(1);
  page.press('Use 100 °C/h there');
  expect(told.onfix).toHaveBeenCalledWith(fix);
});

test('whoever asks why is shown the rule, the numbers of this case and the source', () => {
  rows(null);
  expect(page.text('[data-testid=basis] dl')).toMatch(/r ≤ 12 600\/L².*L = 5 mm.*Heat conduction\./s);
});

test('without a firing nothing can be accepted', () => {
  rows(null);
  expect(() => page.find('Accept')).toThrow();
});

test('it is accepted with a reason, and not without one', async () => {
  const told = rows([]);
  page.press('Accept');
  await until(() => page.find('Why it is accepted for this firing'));
  expect(page.find<HTMLButtonElement>('Accept').disabled).toBe(true);
  page.type('Why it is accepted for this firing', '  grogged clay ');
  page.press('Accept');
  expect(told.onaccept).toHaveBeenCalledWith(finding, 'grogged clay');
});

test('what was accepted is kept apart with its reason, and can be taken back', () => {
  const told = rows([
    { id: 'quartz-up', severity: 'look', note: 'grogged clay', at: '2026-11-24T17:00:00Z' }
  ]);
  expect(page.has('[data-finding]')).toBe(false);
  expect(page.text('[data-testid=accepted]')).toContain('“grogged clay”');
  page.press('Take back');
  expect(told.onwithdraw).toHaveBeenCalledWith('quartz-up');
});

test('an acceptance of something less grave does not cover it', () => {
  rows([{ id: 'quartz-up', severity: 'note', note: 'once', at: '2026-11-24T17:00:00Z' }]);
  expect(page.has('[data-finding]')).toBe(true);
});
