// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { FiringBody, Lot, Packing, PlacedShelf } from '$lib/api/client';
import { answering } from '$lib/testing/wire';
import { until } from '$lib/testing/until';
import { PackingLoop, type Packable } from './packing-loop.svelte';

const mugs: Lot = {
  what: 'mugs',
  count: 2,
  wall: 6,
  piece: { shape: 'round', across: 85, height: 100, handle: 35 }
};
const unsized: Lot = { what: 'bowls', count: 3, wall: 6 };
const packing = {
  fits: true,
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
      areaShare: 0.1,
      needs: 125
    },
    {
      number: 2,
      region: 'full',
      z: 168,
      thickness: 18,
      opening: 500,
      props: [],
      pieces: [],
      pack: null,
      needs: 0
    }
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
  loop.move(1, 0, 44, -5);
  expect(body.packing?.keep?.openings).toEqual([125, 500]);
  expect(body.packing?.keep?.regions).toEqual(['full', 'full']);
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

test('what is moved quickly stands where it was put before the answer comes', async () => {
  answering(() => ({ body: packing }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  loop.move(1, 0, 15, 20);
  loop.move(1, 1, -80, 30, 90);
  expect(loop.packing?.shelves[0]?.pieces.map((p) => [p.x, p.y, p.turn])).toEqual([
    [15, 20, 0],
    [-80, 30, 90]
  ]);
  loop.hold(1, 0, false);
  expect(body.packing?.keep?.pieces?.map((p) => [p?.x, p?.held])).toEqual([
    [15, false],
    [-80, true]
  ]);
  loop.holdShelf(1, true);
  expect(body.packing?.keep?.pieces?.every((p) => p?.held)).toBe(true);
});

test('a piece is sent to another shelf, shelves change places and openings change', async () => {
  answering(() => ({ body: packing }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  loop.send(1, 1, 2);
  expect(body.packing?.keep?.pieces?.[1]).toEqual({
    shelf: 2,
    lot: 0,
    x: null,
    y: null,
    turn: 0,
    stack: 1,
    held: true
  });
  const [lower, upper] = packing.shelves as [PlacedShelf, PlacedShelf];
  expect([loop.next(lower, true), loop.next(lower, false), loop.next(upper, true)]).toEqual([
    upper,
    undefined,
    undefined
  ]);
  loop.swap(lower, true);
  // The topmost takes no opening down with it, only what it needs; the least that props come to here.
  expect(body.packing?.keep?.openings).toEqual([5, 125]);
  expect(body.packing?.keep?.pieces?.map((p) => [p?.shelf, p?.held])).toEqual([
    [2, true],
    [2, true]
  ]);
  loop.open(1, 150);
  expect(body.packing?.keep?.openings).toEqual([150, 500]);
});

test('when something stays out, what would take more is asked for and done with one press', async () => {
  const choices = [
    { kind: 'other-kiln', kilnId: 9, kiln: 'Heron', placed: 62, fits: true, shelves: 4, share: 0.7 },
    { kind: 'half-shelves', placed: 60, fits: false, shelves: 8, share: 0.9 },
    { kind: 'handles-turned', placed: 61, fits: false, shelves: 4, share: 0.9 },
    { kind: 'full-shelves', placed: 61, fits: false, shelves: 4, share: 0.9 },
    { kind: 'tumbled', placed: 61, fits: false, shelves: 0, share: 1 }
  ] as const;
  answering(({ path }) => ({ body: path.endsWith('/choices') ? { choices } : { ...packing, fits: false } }));
  const loop = new PackingLoop(firing);
  await loop.ask();
  await until(() => expect(loop.choices).toHaveLength(5));
  loop.choose(choices[0]);
  expect([body.kilnId, body.packing?.shelves, body.packing?.keep]).toEqual([9, 'any', null]);
  loop.choose(choices[1]);
  expect(body.packing?.shelves).toBe('half');
  loop.choose(choices[2]);
  expect(body.packing?.handles).toBe('turned');
  loop.choose(choices[3]);
  expect(body.packing?.shelves).toBe('full');
  const before = body;
  loop.choose(choices[4]);
  expect(body).toBe(before);
  loop.chooseShelves('any');
  await loop.ask();
  expect(loop.waiting).toBe(false);
});

test('what is being packed can be given up', async () => {
  answering(() => new Promise(() => {}));
  const loop = new PackingLoop(firing);
  void loop.ask();
  expect(loop.waiting).toBe(true);
  loop.stop();
  expect([loop.waiting, loop.trouble]).toEqual([false, 'Stopped. Change anything, and it is packed again.']);
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
