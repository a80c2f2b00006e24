import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Plan, Schedule } from '$lib/api/client';
import { answering, type Answer, type Asked } from '$lib/testing/wire';
import type { FiringDraft } from './firing-draft.svelte';
import { replaceInEditor, takeToEditor } from './open-in-editor';

const steps = [{ pace: 'rate' as const, rate: 100, target: 1222, holdMinutes: 10 }];
const plan = { schedule: { name: 'Planned', kind: 'glaze', unit: 'C', segments: steps } } as Plan;

const stored = (version: number, change: Partial<Schedule> = {}) =>
  ({ id: 7, version, name: 'Oyster', kind: 'glaze', unit: 'C', segments: steps, ...change }) as Schedule;

/** The firing a plan belongs to, as far as taking it to the editor needs one. */
function firing(scheduleId: number | null, scheduleVersion: number | null) {
  const body = { name: 'Oyster', kilnId: 1, scheduleId, scheduleVersion };
  return {
    body,
    edit: vi.fn((change: object) => Object.assign(body, change)),
    save: vi.fn(() => Promise.resolve())
  } as unknown as FiringDraft & { edit: ReturnType<typeof vi.fn> };
}

const methods = (asked: Asked[]) => asked.map((a) => a.method);
const server = (answers: Record<string, Answer>) =>
  answering(({ method }) => answers[method] ?? { status: 500, problem: {} });

beforeEach(() => vi.stubGlobal('localStorage', { setItem: vi.fn(), getItem: () => null }));
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

test('a plan taken for the first time is a schedule of its own, and the firing remembers which', async () => {
  const asked = server({ POST: { body: stored(1) } });
  const draft = firing(null, null);
  expect(await takeToEditor(draft, plan)).toEqual({ schedule: stored(1) });
  expect(methods(asked)).toEqual(['POST']);
  expect(asked[0]?.body).toMatchObject({ name: 'Oyster', segments: steps });
  expect(asked[0]?.headers['Idempotency-Key']).toBeTruthy();
  expect(draft.body).toMatchObject({ scheduleId: 7, scheduleVersion: 1 });
});

test('a schedule that says the same already is opened as it is', async () => {
  const asked = server({ GET: { body: stored(5) } });
  const draft = firing(7, 1);
  expect(await takeToEditor(draft, plan)).toEqual({ schedule: stored(5) });
  expect(methods(asked)).toEqual(['GET']);
  expect(draft.body.scheduleVersion).toBe(5);
});

test('one that nobody edited since is replaced, over the version that was looked at', async () => {
  const asked = server({ GET: { body: stored(3, { segments: [] }) }, PUT: { body: stored(4) } });
  expect(await takeToEditor(firing(7, 3), plan)).toEqual({ schedule: stored(4) });
  expect(asked[1]).toMatchObject({ method: 'PUT', id: 7, headers: { 'If-Match': '"3"' } });
});

test('one that was edited since is left alone, and told', async () => {
  const edited = stored(4, { segments: [] });
  const asked = server({ GET: { body: edited } });
  const draft = firing(7, 3);
  expect(await takeToEditor(draft, plan)).toEqual({ edited });
  expect(methods(asked)).toEqual(['GET']);
  expect(draft.edit).not.toHaveBeenCalled();
});

test('one that is edited while it is being replaced is told too', async () => {
  const current = stored(9, { segments: [] });
  server({ PUT: { status: 412, problem: { current } } });
  expect(await replaceInEditor(firing(7, 3), plan, stored(3))).toEqual({ edited: current });
});

test('one that was deleted is made anew', async () => {
  const asked = server({ GET: { status: 404, problem: {} }, POST: { body: stored(1) } });
  expect(await takeToEditor(firing(7, 3), plan)).toEqual({ schedule: stored(1) });
  expect(methods(asked)).toEqual(['GET', 'POST']);
});

test('what stands against it is said, and the firing stays as it was', async () => {
  server({ POST: { status: 507, problem: { detail: 'The disk is full.' } } });
  const draft = firing(null, null);
  expect(await takeToEditor(draft, plan)).toEqual({ trouble: 'The disk is full.' });
  expect(draft.edit).not.toHaveBeenCalled();
});
