// @vitest-environment jsdom
import { afterEach, expect, test, vi } from 'vitest';
import type { FiringBody } from '$lib/api/client';
import { answering } from '$lib/testing/wire';
import { until } from '$lib/testing/until';
import { FiringDraft } from './firing-draft.svelte';

afterEach(() => vi.restoreAllMocks());

const draftOf = (body: FiringBody) =>
  new FiringDraft({ stored: { id: 3, version: 1, body }, copies: [] } as never);

test('every wish of a firing reaches the planner, and only the rows that are written', () => {
  const asked = answering(() => ({ problem: { title: 'not now' }, status: 503 }));
  const wishes = {
    kind: 'glaze',
    goalCone: '6',
    drying: 'long-hold',
    bisque: 'always-open',
    goal: 'coolest',
    approach: 'one-rate',
    hold: 'half-hour',
    cooling: 'drop-and-hold',
    dropBy: 60,
    holdMinutes: 12,
    unit: 'F',
    name: 'Mugs',
    kilnId: 2
  } as const;
  const mugs = { what: 'mugs', count: 12, wall: 6, dryness: 'bone-dry', glazeIds: [] } as const;
  const blank = { what: '', count: null, wall: null, dryness: 'bone-dry', glazeIds: [] } as const;
  draftOf({ ...wishes, lots: [blank, mugs] as never, packed: true, scheduleId: 7 } as FiringBody);
  expect(asked.map((a) => a.path)).toEqual(['/api/plan']);
  expect(asked[0]?.body).toEqual({
    ...wishes,
    load: { lots: [mugs], packed: true, witnessPack: undefined, furnitureKg: undefined },
    start: undefined
  });
});

test('what shelves and props weigh is planned with, once all of the ware is packed on them', async () => {
  const sized = {
    what: 'mugs',
    count: 12,
    wall: 6,
    dryness: 'bone-dry',
    glazeIds: [],
    piece: { across: 85, height: 100 }
  };
  const asked = answering(({ path }) =>
    path === '/api/packing'
      ? { body: { fits: true, totals: { furnitureKg: 21.5 }, shelves: [], broken: [] } }
      : { problem: { title: 'not now' }, status: 503 }
  );
  draftOf({ kind: 'glaze', kilnId: 2, lots: [sized] } as never);
  await until(() => expect(asked.map((a) => a.path)).toEqual(['/api/plan', '/api/packing', '/api/plan']));
  expect(asked[0]?.body).toMatchObject({ load: { furnitureKg: undefined } });
  expect(asked[2]?.body).toMatchObject({ load: { furnitureKg: 21.5 } });
});

test('what the planner minds is said at the row of the page it belongs to', async () => {
  answering(() => ({
    problem: { title: 'no', errors: { 'load.lots[0].wall': ['A wall is 2 to 100 mm.'] } },
    status: 400
  }));
  const lot = { what: 'mugs', count: 12, wall: 1, dryness: 'bone-dry', glazeIds: [] };
  const blank = { what: '', count: null, wall: null, dryness: 'bone-dry', glazeIds: [] };
  const draft = draftOf({ kind: 'glaze', lots: [blank, lot] } as never);
  await until(() => expect(draft.planErrors).toEqual({ 'lots[1].wall': 'A wall is 2 to 100 mm.' }));
});

test('with other ware or in another kiln nothing stays where it stood, with another name it does', () => {
  answering(() => ({ problem: { title: 'not now' }, status: 503 }));
  const lot = { what: 'mugs', count: 12, wall: 6, piece: { across: 85, height: 100 } };
  const keep = { openings: [125], pieces: [] };
  const keptAfter = (change: Partial<FiringBody>) => {
    const draft = draftOf({
      kind: 'glaze',
      kilnId: 2,
      lots: [lot],
      packing: { handles: 'turned', keep }
    } as never);
    draft.edit(change);
    expect(draft.body.packing?.handles).toBe('turned');
    return draft.body.packing?.keep;
  };
  expect(keptAfter({ name: 'Mugs' })).toEqual(keep);
  expect(keptAfter({ lots: [{ ...lot, whose: 'Maren' }] as never })).toEqual(keep);
  expect(keptAfter({ lots: [{ ...lot, count: 13 }] as never })).toBeNull();
  expect(keptAfter({ lots: [{ ...lot, piece: { across: 86, height: 100 } }] as never })).toBeNull();
  expect(keptAfter({ kilnId: 3 })).toBeNull();
  expect(keptAfter({ kind: 'bisque' })).toBeNull();
});

test('ware of a known name gets the sizes it had last, where nothing is said of them', async () => {
  const usual = {
    what: 'mugs',
    piece: { across: 85, height: 100 },
    wall: 6.35,
    pieceKg: 0.4,
    typed: { wall: '1/4 in' }
  };
  const asked = answering(({ path }) =>
    path === '/api/lots/usual' ? { body: { lots: [usual] } } : { problem: { title: 'not now' }, status: 503 }
  );
  const draft = draftOf({
    kind: 'glaze',
    lots: [
      { what: 'mugs', count: 12, pieceKg: 0.5 },
      { what: 'mugs', count: 3, piece: { across: 70 } }
    ]
  } as never);
  await draft.fillUsual(0);
  expect(draft.lots[0]).toEqual({
    what: 'mugs',
    count: 12,
    piece: usual.piece,
    wall: 6.35,
    width: undefined,
    pieceKg: 0.5,
    typed: { wall: '1/4 in' }
  });
  const before = asked.length;
  await draft.fillUsual(1);
  expect([asked.length, draft.lots[1]?.piece?.across]).toEqual([before, 70]);
});

test('what the packer adds is not told as a change, what somebody changes is', async () => {
  let hours = 8;
  const lot = { what: 'mugs', count: 12, wall: 6, dryness: 'bone-dry', glazeIds: [] };
  answering(({ path }) =>
    path === '/api/packing'
      ? { body: { fits: true, totals: { furnitureKg: 21.5 }, shelves: [], broken: [] } }
      : { body: { load: null, preview: { totalMinutes: 60 * hours++, peak: 1210 } } }
  );
  const draft = draftOf({
    kind: 'glaze',
    kilnId: 2,
    lots: [{ ...lot, piece: { across: 85, height: 100 } }]
  } as never);
  await until(() => expect(draft.preview?.totalMinutes).toBe(9 * 60));
  expect(draft.before).toBeNull();
  draft.edit({ goalCone: '5' });
  await until(() => expect(draft.before?.hours).toBe(9));
});

test('a way on changes what it says, leaves out the rows it names, and can be undone', () => {
  answering(() => ({ problem: { title: 'not now' }, status: 503 }));
  const lot = (what: string) => ({ what, count: 12, wall: 6, dryness: 'bone-dry', glazeIds: [] });
  const draft = draftOf({ kind: 'once-fired', lots: [lot('mugs'), lot('pigs')] } as never);
  const way = { id: '', text: '', kind: null, without: [] as number[], anyway: false, cooling: null };
  draft.take({ ...way, kind: 'drying', cooling: 'off' });
  expect(draft.body).toMatchObject({ kind: 'drying', cooling: 'off' });
  expect(draft.body.lots).toHaveLength(2);
  draft.undo();
  expect(draft.body.kind).toBe('once-fired');
  draft.take({ ...way, without: [1], anyway: true });
  expect(draft.body.lots?.map((l) => l?.what)).toEqual(['mugs']);
  expect(draft.body.anyway).toBe(true);
});
