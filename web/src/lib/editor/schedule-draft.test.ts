// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schedule } from '$lib/api/client';
import { answering } from '$lib/testing/wire';
import { openSchedule, ScheduleDraft } from './schedule-draft.svelte';
import { toBody } from './draft';

const step = (target: number) => ({ pace: 'rate' as const, rate: 100, target, holdMinutes: 0 });
const stored = {
  id: 7,
  version: 3,
  name: 'Oyster',
  kind: 'glaze',
  unit: 'C',
  segments: [step(600), step(1000), step(1222)]
} as Schedule;
const targets = (draft: ScheduleDraft) => toBody(draft.body).segments?.map((s) => s?.target);

let draft: ScheduleDraft;
beforeEach(async () => {
  vi.useFakeTimers();
  localStorage.clear();
  answering(({ method, body }) => ({
    body: method === 'GET' ? stored : { ...stored, ...(body as object), version: 4 }
  }));
  draft = new ScheduleDraft('C', await openSchedule(7));
});
afterEach(() => {
  draft.close();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

test('steps are moved, doubled and removed, and every change is one to undo', () => {
  expect(draft.moveStep(2, -1)).toBe(1);
  expect(targets(draft)).toEqual([600, 1222, 1000]);
  draft.duplicateStep(0);
  draft.removeStep(3);
  expect(targets(draft)).toEqual([600, 600, 1222]);
  for (let i = 0; i < 3; i++) draft.undo();
  expect(targets(draft)).toEqual([600, 1000, 1222]);
});

test('the ends of the list are ends, and the last row stays to be written in', () => {
  expect([draft.moveStep(0, -1), draft.moveStep(2, 1)]).toEqual([0, 2]);
  for (let i = 0; i < 3; i++) draft.removeStep(0);
  expect(draft.body.steps).toHaveLength(1);
  expect(targets(draft)).toEqual([]);
});

test('blank rows are on the page and not in the schedule', () => {
  expect(draft.addStep(0)).toBe(1);
  expect(draft.body.steps).toHaveLength(4);
  expect(targets(draft)).toEqual([600, 1000, 1222]);
  expect([0, 1, 2].map((row) => draft.stepNumber(row))).toEqual([0, -1, 1]);
});

test('a fix takes the place of the steps it is for, blank rows not counted', () => {
  draft.addStep(0);
  const fix = (change: object) => draft.withFix({ text: '', steps: [], replaces: 1, ...change } as never);
  const made = (change: object) => fix(change).steps.map((s) => s.target);
  expect(made({ segment: 1, steps: [step(800), step(1000)] })).toEqual([600, null, 800, 1000, 1222]);
  expect(made({ segment: 0, replaces: 2, steps: [step(700)] })).toEqual([700, 1222]);
  expect(made({ segment: 2, steps: [] })).toEqual([600, null, 1000]);
  expect(made({ segment: 0, replaces: 0 })).toEqual([600, null, 1000, 1222]);
});

test('a fix may say what the numbers were meant as', () => {
  const fix = { text: '', segment: 0, replaces: 0, steps: [], unit: 'F', kind: 'drying', goalCone: '04' };
  expect(draft.withFix(fix as never)).toMatchObject({ unit: 'F', kind: 'drying', goalCone: '04' });
  expect(draft.withFix({ ...fix, unit: null, kind: null, goalCone: null } as never)).toMatchObject({
    unit: 'C',
    kind: 'glaze'
  });
});

test('letters typed in one field are one step to undo', () => {
  for (const rate of [1, 15, 150]) draft.editStep(0, { rate }, 'rate');
  draft.undo();
  expect(draft.body.steps[0]?.rate).toBe(100);
});

test('text that is no value holds the saving back until it is one', async () => {
  draft.unreadable.set('a.pace', 'A rate is a number.');
  draft.editStep(0, { target: 650 });
  await vi.advanceTimersByTimeAsync(5_000);
  expect(draft.state).toEqual({ kind: 'fix', text: 'A rate is a number.' });
  draft.unreadable.clear();
  draft.editStep(0, { target: 660 });
  await vi.advanceTimersByTimeAsync(5_000);
  expect(draft.state.kind).toBe('saved');
  expect(draft.version).toBe(4);
});
