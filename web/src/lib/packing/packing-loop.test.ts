// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { FiringBody, Lot, Packing } from '$lib/api/client';
import { answering } from '$lib/testing/wire';
import { PackingLoop, type Packable } from './packing-loop.svelte';

const mugs: Lot = {
  what: 'mugs',
  count: 2,
  wall: 6,
  piece: { shape: 'round', across: 85, height: 100, handle: 35 }
};
const unsized: Lot = { what: 'bowls', count: 3, wall: 6 };
const packing = {
  shelves: [
    {
      number: 1,
      region: 'full',
      z: 25,
      thickness: 18,
      opening: 125,
      props: [],
      pieces: [
        { lot: 0, x: 10, y: 20, turn: 0, stack: 1 },
        { lot: 0, x: -90, y: 20, turn: 0, stack: 1 }
      ],
      pack: null,
      wareKg: 1,
      areaShare: 0.1
    },
    { number: 2, region: 'full', z: 168, thickness: 18, opening: 500, props: [], pieces: [], pack: null }
  ],
  broken: [
    { rule: 'touches', shelf: 1, piece: 1, text: 'mugs touch' },
    { rule: 'pack-missing', shelf: 0, piece: null, text: 'no pack' }
  ]
} as unknown as Packing;

let body: FiringBody;
let firing: Packable;
beforeEach(() => {
  body = { name: 'x', kind: 'glaze', kilnId: 4, witnessPack: true } as FiringBody;
  firing = {
    get body() {
      return body;
    },
    written: [
      { lot: unsized, row: 0 },
      { lot: mugs, row: 1 }
    ],
    edit: (change) => (body = { ...body, ...change })
  };
});
afterEach(() => vi.restoreAllMocks());

test('only lots with a size are packed, into the kiln that was chosen', async () => {
  const asked = answering(() => ({ body: packing }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  expect(asked).toHaveLength(1);
  expect(asked[0]?.body).toMatchObject({ kind: 'glaze', kilnId: 4, packs: true, load: { lots: [mugs] } });
  expect(loop.packing).toBe(packing);
  expect(loop.broken).toEqual(['1:1']);
});

test('without a kiln there is nothing to ask', async () => {
  const asked = answering(() => ({ body: packing }));
  body = { ...body, kilnId: null };
  const loop = new PackingLoop(firing);
  await loop.ask();
  expect([asked.length, loop.packing]).toEqual([0, null]);
});

test('what is wrong is said at the row of the page', async () => {
  answering(() => ({
    problem: { title: 'no', errors: { 'load.lots[0].piece.height': ['How tall is it?'] } },
    status: 422
  }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  expect(loop.errors).toEqual({ 'lots[1].piece.height': 'How tall is it?' });
});

test('a piece put elsewhere leaves all others where they stand, until the rest is packed', async () => {
  answering(() => ({ body: packing }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  const [shelf] = packing.shelves;
  if (shelf) loop.move(shelf, 0, 44, -5);
  expect(body.packing?.keep?.openings).toEqual([125]);
  expect(body.packing?.keep?.pieces).toEqual([
    { shelf: 1, lot: 0, x: 44, y: -5, turn: 0, stack: 1, held: true },
    { shelf: 1, lot: 0, x: -90, y: 20, turn: 0, stack: 1, held: false }
  ]);
  loop.packTheRest();
  expect(body.packing?.keep?.pieces).toEqual([
    { shelf: 1, lot: 0, x: 44, y: -5, turn: 0, stack: 1, held: true }
  ]);
  loop.packAnew();
  expect(body.packing?.keep).toBeNull();
  loop.turnHandles(true);
  expect(body.packing).toEqual({ handles: 'turned', keep: null });
});

test('a bisque is counted in glaze firings, and forgets the count when the ware changes', async () => {
  const asked = answering(({ path }) => ({
    body: path.endsWith('/firings')
      ? {
          count: 2,
          firings: [51, 29].map((placed) => ({ lots: [{ lot: 0, asked: placed, placed, shelves: [1] }] })),
          never: []
        }
      : packing
  }));
  body = { ...body, kind: 'bisque', packing: { handles: 'any', keep: { openings: [125], pieces: [] } } };
  const loop = new PackingLoop(firing);
  await loop.ask();
  await loop.countGlazes();
  expect(asked[1]?.body).toMatchObject({ kind: 'glaze', keep: null });
  expect(loop.glazeLoads).toEqual([[{ row: 1, count: 51 }], [{ row: 1, count: 29 }]]);
  body = { ...body, witnessPack: false };
  await loop.ask();
  expect(loop.glazes).toBeNull();
});
