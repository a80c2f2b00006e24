// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Entered, Fit, ScheduleBody } from '$lib/api/client';
import { until } from '$lib/testing/until';
import { answering, type Asked } from '$lib/testing/wire';
import { Setting } from './setting.svelte';

const fit = {
  fits: 'exactly',
  why: '',
  code: 'KGGZ',
  program: [
    { question: 'rate.1', shown: '100' },
    { question: 'target.1', shown: '1200' },
    { question: 'hold.1', shown: '0.10' }
  ],
  keystrokes: [
    { question: null, keys: ['wipe', 'quit', 'open'], display: '' },
    { question: 'rate.1', keys: ['1', '0', '0', 'take'], display: 'pace 1 100' },
    { question: 'target.1', keys: ['1', '2', '0', '0', 'take'], display: 'to 1 1200' },
    { question: 'hold.1', keys: ['1', '0', 'take'], display: 'stay 1 10' }
  ],
  changes: [],
  difference: {}
} as unknown as Fit;
const schedule: ScheduleBody = { name: 'Oyster', kind: 'glaze', unit: 'C', segments: [] };
const what = { schedule, kilnId: 1, controllerId: 3, firingId: 7 };
const clean = (code: string, firingId = 7) =>
  ({ code, clean: true, firingId, scheduleId: null, at: '2026-11-20T10:00:00Z', by: 'Maren' }) as Entered;

let entered: Entered[];
let slots: unknown[];
let readBack: unknown;
let nowFits: Fit;
let asked: Asked[];
beforeEach(() => {
  localStorage.clear();
  slots = [];
  [entered, readBack, nowFits] = [[], { matches: false, missing: [], differences: [], slips: [] }, fit];
  asked = answering(({ method, path }) => {
    if (path.endsWith('/bank')) return { body: { controllerId: 3, controller: 'Wedge', slots, place: '2' } };
    if (path.endsWith('/entered') && method === 'GET') return { body: entered };
    if (path.endsWith('/entered')) return { body: { entered: clean('KGGZ'), readBack } };
    if (path.endsWith('/read-back')) return { body: readBack };
    return { body: nowFits };
  });
});
afterEach(() => vi.restoreAllMocks());

async function begun(): Promise<Setting> {
  const setting = new Setting();
  await setting.of(what);
  return setting;
}
const lastAsked = (end: string) =>
  asked.findLast((a) => a.method === 'POST' && a.path.endsWith(end))?.body as Record<string, unknown>;

test('it is fitted into the place the bank has for it', async () => {
  await begun();
  expect(lastAsked('/fit')).toMatchObject({ profileId: 3, kilnId: 1, slot: '2', delayMinutes: 0 });
});

test('ticks and what was read stay on this device until it is recorded, for just this program', async () => {
  const first = await begun();
  first.tick(0);
  first.tick(1);
  first.read(0, '100');
  const again = await begun();
  expect([again.ticked, again.shown]).toEqual([2, ['100']]);
  expect(again.line?.question).toBe('target.1');
  again.tick(1);
  expect(again.ticked).toBe(1);
  nowFits = { ...fit, code: 'ZZZZ', program: fit.program?.slice(1) ?? null };
  const other = await begun();
  expect([other.ticked, other.shown]).toEqual([0, []]);
});

test('several values at once go on to the next questions, and only what is read without a gap is compared', async () => {
  const setting = await begun();
  setting.read(0, '100; 1200');
  expect(setting.shown).toEqual(['100', '1200']);
  setting.read(0, '');
  setting.read(2, '10');
  expect(setting.readSoFar).toEqual([]);
  setting.read(0, ' 100 ');
  await until(() => expect(lastAsked('/read-back')).toMatchObject({ shown: ['100', '1200', '10'] }));
});

test('what the program at hand was last read to hold tells a value that was left there', async () => {
  const shown = [{ question: 'rate.1', shown: '150' }];
  const holds = { ...clean('OLDD'), at: '2026-11-20T10:00:00Z', shown };
  slots = [
    { slot: '2', holds, stale: [] },
    { slot: '3', holds: { ...holds, at: '2026-11-21T10:00:00Z' }, stale: ['other-seen'] },
    { slot: '4', holds: null, stale: [] }
  ];
  const setting = await begun();
  setting.read(0, '150');
  await until(() =>
    expect(lastAsked('/read-back')).toMatchObject({
      memory: { slot: '2', slots: { '2': { 'rate.1': '150' } } }
    })
  );
  expect(Object.keys((lastAsked('/read-back')['memory'] as { slots: object }).slots)).toEqual(['2']);
  setting.slot = '4';
  setting.read(0, '15');
  await until(() => expect(lastAsked('/read-back')).toMatchObject({ shown: ['15'], memory: null }));
});

test('what can be no answer is said at its value', async () => {
  const setting = await begun();
  vi.restoreAllMocks();
  answering(() => ({ problem: { errors: { 'shown[1]': ['to 1: “x” is no answer there.'] } }, status: 422 }));
  setting.read(0, '100\nx');
  await until(() => expect(setting.wrong).toEqual({ 1: 'to 1: “x” is no answer there.' }));
});

test('a clean one is set, and the next time begins with an empty card', async () => {
  const setting = await begun();
  setting.tick(2);
  setting.read(0, '100\t1200\t0.10');
  readBack = { matches: true, missing: [], differences: [], slips: [] };
  entered = [clean('KGGZ')];
  expect(await setting.record()).toBe(true);
  expect(setting.clean?.by).toBe('Maren');
  expect([setting.ticked, setting.shown, localStorage.length]).toEqual([0, [], 0]);
  expect(lastAsked('/entered')).toMatchObject({
    firingId: 7,
    slot: '2',
    shown: ['100', '1200', '0.10']
  });
});

test('what was wrong is read again, and nothing else', async () => {
  const setting = await begun();
  setting.read(0, '100\t12\t0.10');
  readBack = {
    matches: false,
    missing: [],
    differences: [{ question: 'target.1', wanted: '1200', shown: '12' }],
    slips: []
  };
  await setting.record('digit-dropped');
  expect(lastAsked('/entered')).toMatchObject({ slip: 'digit-dropped' });
  expect(setting.shown).toEqual(['100', '', '0.10']);
});

test('what was set before is looked at as it was set: in that program, with that delay', async () => {
  entered = [{ ...clean('KGGZ'), controller: 'Wedge', slot: '4', delayMinutes: 390 }];
  const setting = await begun();
  expect(lastAsked('/fit')).toMatchObject({ slot: '4', delayMinutes: 390 });
  expect(setting.clean?.code).toBe('KGGZ');
});

test('another code than the one that was read back is no longer set', async () => {
  entered = [clean('OLDD'), clean('KGGZ', 8)];
  const setting = await begun();
  expect(setting.clean).toBeNull();
  expect(setting.before?.code).toBe('OLDD');
});

test('a delay is written as people write it; what is none is said and nothing is asked', async () => {
  const setting = await begun();
  setting.wait('6:30');
  expect(lastAsked('/fit')).toMatchObject({ delayMinutes: 390 });
  const so = asked.length;
  setting.wait('soon');
  expect(setting.errors['delayMinutes']).toContain('6:30');
  expect(asked).toHaveLength(so);
});

test('when the program does not answer, what was typed is still there', async () => {
  const setting = await begun();
  setting.read(0, '100');
  vi.restoreAllMocks();
  answering(() => {
    throw new TypeError('failed to fetch');
  });
  expect(await setting.record()).toBe(false);
  expect(setting.trouble).toContain('still here');
  expect(setting.shown).toEqual(['100']);
});

test('the delay counts down to the planned start until it is keyed, read back, or said otherwise', async () => {
  nowFits = {
    ...fit,
    keystrokes: [...fit.keystrokes, { question: 'delay', keys: ['take'], display: 'wait 0.00' }]
  } as Fit;
  const setting = await begun();
  setting.countDown('6:30');
  await until(() => expect(lastAsked('/fit')).toMatchObject({ delayMinutes: 390 }));
  setting.countDown('6:29');
  expect(setting.delay).toBe('6:29');
  setting.tick(4);
  setting.countDown('6:28');
  expect(setting.delay).toBe('6:29');
  setting.tick(4);
  setting.wait('1:00');
  setting.countDown('6:27');
  expect(setting.delay).toBe('1:00');
});
