// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import { answering, type Answer } from '$lib/testing/wire';
import { Page } from '$lib/testing/page';
import { until } from '$lib/testing/until';
import SayInstead from './SayInstead.svelte';

const asked = vi.hoisted(() => ({ again: [] as unknown[] }));
vi.mock('@tanstack/svelte-query', () => ({
  useQueryClient: () => ({
    invalidateQueries: async ({ queryKey }: { queryKey: unknown }) => void asked.again.push(queryKey)
  })
}));

let page: Page;
afterEach(() => {
  page.close();
  asked.again = [];
});
const care = { offset: 4, power: 0.85, note: 'new thermocouple', thermocoupleAfter: 80 };

function form(answer: Answer) {
  const wire = answering(() => answer);
  const onclose = vi.fn();
  page = new Page(SayInstead as never, { kilnId: 3, care, onclose });
  return { wire, onclose };
}

test('what was said stands there, and goes with the rest of the care', async () => {
  const { wire, onclose } = form({ body: {} });
  page.type('Add to the display, °C (empty: as learned)', '−2,5');
  page.press('Use this instead');
  await until(() => expect(onclose).toHaveBeenCalledOnce());
  expect(wire[0]?.body).toEqual({ ...care, offset: -2.5 });
  expect(asked.again).toEqual([['learned', 3]]);
});

test('an empty field goes by what was learned', async () => {
  const { wire, onclose } = form({ body: {} });
  page.type('Power, % of its stored power (empty: as learned)', ' ');
  page.press('Use this instead');
  await until(() => expect(onclose).toHaveBeenCalledOnce());
  expect(wire[0]?.body).toMatchObject({ power: null, offset: 4 });
});

test('what is refused is told at its field, and nothing is lost', async () => {
  const { onclose } = form({ problem: { errors: { offset: ['A display is off by at most 60 °C.'] } } });
  page.type('Add to the display, °C (empty: as learned)', '600');
  page.press('Use this instead');
  await until(() => expect(page.text('[role="alert"]')).toBe('A display is off by at most 60 °C.'));
  expect(page.find('Add to the display, °C (empty: as learned)').value).toBe('600');
  expect(onclose).not.toHaveBeenCalled();
  expect(asked.again).toEqual([]);
});
