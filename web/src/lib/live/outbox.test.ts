// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answering } from '$lib/testing/wire';
import type { Waiting } from './outbox.svelte';

const kept = new Map<number, Waiting>();
vi.mock('idb', () => ({
  openDB: () =>
    Promise.resolve({
      add: (_: string, value: Waiting) =>
        Promise.resolve(kept.set(kept.size + 1, { ...value, id: kept.size + 1 })),
      put: (_: string, value: Waiting) => Promise.resolve(kept.set(value.id as number, value)),
      delete: (_: string, id: number) => Promise.resolve(kept.delete(id)),
      getAll: () => Promise.resolve([...kept.values()])
    })
}));

const { outbox } = await import('./outbox.svelte');
const reading = (celsius: number) =>
  ({ kind: 'reading', at: null, celsius, subject: null, text: null }) as const;

beforeEach(() => kept.clear());
afterEach(() => vi.restoreAllMocks());

test('what the program takes is gone from the device, and says what the clock of the device shows', async () => {
  const asked = answering(({ body }) => ({ body: body as object }));
  await outbox.note(3, reading(800));
  await vi.waitFor(() => expect(kept.size).toBe(0));
  expect(Math.abs(Date.parse(asked[0]?.headers['Device-Time'] ?? '') - Date.now())).toBeLessThan(5000);
});

test('what it refuses stays with the reason, lets the next one through, and is sent again when it is put right', async () => {
  const asked = answering(({ body }) =>
    (body as { celsius: number }).celsius > 2000
      ? { status: 422, problem: { detail: 'No kiln is as hot as that.' } }
      : { body: body as object }
  );
  await outbox.note(3, reading(9000));
  await outbox.note(3, reading(900));
  await vi.waitFor(() => expect(asked.length).toBe(2));
  await vi.waitFor(() => expect(outbox.waiting.length).toBe(1));
  const [refused] = outbox.waiting;
  expect(refused).toMatchObject({ refused: 'No kiln is as hot as that.', body: { celsius: 9000 } });
  await outbox.again(refused as Waiting, { celsius: 901 });
  await vi.waitFor(() => expect(outbox.waiting.length).toBe(0));
  expect(asked[2]?.body).toMatchObject({ celsius: 901, key: refused?.body.key });
});

test('what is let go is gone', async () => {
  answering(() => ({ status: 422, problem: { detail: 'No.' } }));
  await outbox.note(3, reading(9000));
  await vi.waitFor(() => expect(outbox.waiting[0]?.refused).toBe('No.'));
  await outbox.drop(outbox.waiting[0] as Waiting);
  expect(outbox.waiting).toEqual([]);
});

test('without a network it waits', async () => {
  vi.spyOn(globalThis, 'fetch').mockRejectedValue(new TypeError('no network'));
  await outbox.note(3, reading(700));
  await vi.waitFor(() => expect(outbox.waiting.length).toBe(1));
  expect(outbox.waiting[0]?.refused).toBeUndefined();
});
