import { afterEach, expect, test, vi } from 'vitest';
import type { Firing } from '$lib/api/client';
import { answering } from '$lib/testing/wire';
import { FiringLink } from './firing-link.svelte';

const firing = (version: number, body: object = {}) =>
  ({ id: 3, version, firing: { name: 'Thursday', ...body } }) as Firing;

afterEach(() => vi.restoreAllMocks());

test('a schedule for no firing has none', async () => {
  answering(() => ({ status: 404, problem: {} }));
  expect(await FiringLink.of(11)).toBeNull();
});

test('only rows that are whole are a load', () => {
  const link = new FiringLink(
    firing(1, {
      kilnId: 2,
      packed: true,
      lots: [{ what: 'mugs', count: 12, wall: 6 }, { what: 'bowls', count: 3 }, null]
    })
  );
  expect(link.loadIn(2)).toEqual({ firingId: 3 });
  expect(link.loadIn(5)).toEqual({
    lots: [{ what: 'mugs', count: 12, wall: 6 }],
    packed: true,
    witnessPack: undefined
  });
  expect(new FiringLink(firing(1, { lots: [] })).loadIn(null)).toBeNull();
});

test('changes go one after the other, each over the version before it', async () => {
  let version = 1;
  const asked = answering(({ body }) => ({ body: firing(++version, body as object) }));
  const link = new FiringLink(firing(1));
  await Promise.all([
    link.change(() => ({ name: 'Friday' })),
    link.change((b) => ({ name: `${b.name}, early` }))
  ]);
  expect(asked.map((a) => a.headers['If-Match'])).toEqual(['"1"', '"2"']);
  expect(link.body.name).toBe('Friday, early');
});

test('another person’s change stays, and ours goes on top of it', async () => {
  let first = true;
  const asked = answering(({ body }) => {
    if (!first) return { body: firing(6, body as object) };
    first = false;
    return { status: 412, problem: { current: firing(5, { goalCone: '6' }) } };
  });
  const link = new FiringLink(firing(2));
  expect(await link.change(() => ({ kilnId: 4 }))).toBeNull();
  expect(asked[1]).toMatchObject({ headers: { 'If-Match': '"5"' }, body: { goalCone: '6', kilnId: 4 } });
  expect(link.stored.version).toBe(6);
});

test('what cannot be changed is told', async () => {
  answering(() => ({ status: 404, problem: { detail: 'Gone.' } }));
  expect(await new FiringLink(firing(2)).change(() => ({ kilnId: 4 }))).toEqual({ detail: 'Gone.' });
});
