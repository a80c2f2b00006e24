// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Fit, ScheduleBody } from '$lib/api/client';
import { answering, type Asked } from '$lib/testing/wire';
import { Turning } from './turns.svelte';

const plan = {
  fits: 'nearly',
  why: '',
  turns: [
    { minute: 0, positions: ['0', '1'] },
    { minute: 30, positions: ['1', '1'] },
    { minute: 90, positions: ['2', '2'] }
  ],
  offMinute: 300
} as unknown as Fit;
const schedule: ScheduleBody = { name: 'x', kind: 'glaze', unit: 'C', segments: [] };
const what = { schedule, kilnId: 2, controllerId: 9 };
const start = Date.parse('2026-11-24T08:00:00Z');
const after = (minutes: number) => start + minutes * 60_000;

let asked: Asked[];
let now: Fit;
beforeEach(() => {
  localStorage.clear();
  now = plan;
  asked = answering(() => ({ body: now }));
});
afterEach(() => vi.restoreAllMocks());

async function started(): Promise<Turning> {
  const turning = new Turning();
  await turning.of(what);
  turning.start(start);
  return turning;
}
const sent = () => asked.at(-1)?.body as { done: unknown; readings: unknown };

test('switched on, the first turn is done and the next has its time', async () => {
  const turning = await started();
  expect([turning.done, turning.next?.minute, turning.at(30)]).toEqual([1, 30, after(30)]);
});

test('a turn is noted when it was really done, and a reading plans the rest anew', async () => {
  const turning = await started();
  await turning.turned(after(37), 61);
  expect(sent()).toMatchObject({
    done: [
      { minute: 0, positions: ['0', '1'] },
      { minute: 37, positions: ['1', '1'] }
    ],
    readings: [{ minute: 37, temperature: 61 }]
  });
  await turning.turned(after(95), null);
  expect(sent()).toMatchObject({ readings: [{ minute: 37, temperature: 61 }] });
  expect(turning.next).toBeNull();
});

test('a closed tab goes on where it was, another schedule does not', async () => {
  const turning = await started();
  await turning.turned(after(31), null);
  const again = new Turning();
  await again.of(what);
  expect(again.done).toBe(2);
  const other = new Turning();
  await other.of({ ...what, controllerId: 4 });
  expect(other.underWay).toBeNull();
});

test('the last turn can be undone with its reading, the first ends it', async () => {
  const turning = await started();
  await turning.turned(after(31), 70);
  turning.takeBack();
  expect([turning.done, turning.underWay?.readings]).toEqual([1, []]);
  turning.takeBack();
  expect([turning.underWay, localStorage.length]).toEqual([null, 0]);
});

test('too little power leaves the turns there are, and says so', async () => {
  const turning = await started();
  now = { ...plan, turns: null, why: 'It does not get there.' } as unknown as Fit;
  await turning.turned(after(30), 20);
  expect(turning.trouble).toBe('It does not get there.');
  expect(turning.turns).toHaveLength(3);
});

test('a reading that cannot be is minded, and not kept', async () => {
  const turning = await started();
  vi.restoreAllMocks();
  answering(() => ({ problem: { errors: { 'readings[0].temperature': ['Too hot.'] } }, status: 422 }));
  await turning.turned(after(30), 9000);
  expect(Object.values(turning.errors)).toEqual(['Too hot.']);
  expect([turning.done, turning.underWay?.readings]).toEqual([2, []]);
});
