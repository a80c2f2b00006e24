import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Finding, Preview } from '$lib/api/client';
import { answering, type Answer } from '$lib/testing/wire';
import { until } from '$lib/testing/until';
import { emptyDraft, fromSegment } from './draft';
import type { FiringPlace } from './firing-place.svelte';
import { PreviewLoop } from './preview-loop.svelte';
import type { ScheduleDraft } from './schedule-draft.svelte';
import { StartTime } from './start-time.svelte';
import { TriedFix } from './tried-fix.svelte';

const finding = (id: string) => ({ id, severity: 'look' }) as Finding;
const preview = (change: Partial<Preview> = {}) =>
  ({
    peak: 1222,
    unit: 'C',
    poweredMinutes: 600,
    curve: [],
    findings: [],
    startsAt: null,
    ...change
  }) as unknown as Preview;

function parts(target: number | null = 1222) {
  const body = {
    ...emptyDraft('C'),
    steps: target === null ? [] : [fromSegment({ pace: 'rate', rate: 100, target })]
  };
  const draft = {
    body,
    errors: {},
    withFix: () => ({ ...body, steps: [fromSegment({ pace: 'rate', rate: 60, target: 1222 })] }),
    edit: vi.fn()
  };
  const place = {
    asked: { kilnId: 4, load: null },
    accepted: null as { id: string; severity: 'look' }[] | null,
    choose: vi.fn(),
    firing: null
  };
  const start = new StartTime(place as unknown as FiringPlace, () => {});
  const loop = new PreviewLoop(draft as unknown as ScheduleDraft, place as unknown as FiringPlace, start);
  const tried = new TriedFix(draft as unknown as ScheduleDraft, place as unknown as FiringPlace, loop);
  return { draft, place, start, loop, tried };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.restoreAllMocks();
  vi.useRealTimers();
});

test('nothing written is nothing asked', async () => {
  const asked = answering(() => ({ body: preview() }));
  const { loop } = parts(null);
  await loop.ask();
  expect(asked).toEqual([]);
  expect(loop.preview).toBeNull();
});

test('the newest answer is shown, however late an older one comes', async () => {
  const answers: ((answer: Answer) => void)[] = [];
  answering(() => new Promise((resolve) => answers.push(resolve)));
  const { loop } = parts();
  const [older, newer] = [loop.ask(), loop.ask()];
  answers[1]?.({ body: preview({ peak: 1240 }) });
  await newer;
  answers[0]?.({ body: preview({ peak: 1000 }) });
  await older;
  expect(loop.preview?.peak).toBe(1240);
});

test('what is wrong is said at its field, and the last picture stays', async () => {
  const { loop } = parts();
  answering(() => ({ body: preview() }));
  await loop.ask();
  answering(() => ({ status: 422, problem: { errors: { 'schedule.segments[0].rate': ['Too fast.'] } } }));
  await loop.ask();
  expect(loop.errors).toEqual({ 'segments[0].rate': 'Too fast.' });
  expect(loop.preview?.peak).toBe(1222);
  expect(loop.failed).toBeNull();
});

test('a program that does not answer is told, and the last picture stays', async () => {
  const { loop } = parts();
  answering(() => ({ body: preview() }));
  await loop.ask();
  answering(() => Promise.reject(new Error('no network')));
  await loop.ask();
  expect(loop.failed).toContain('does not answer');
  expect(loop.preview?.peak).toBe(1222);
});

test('a kiln that was deleted gives way to the plain one', async () => {
  answering(() => ({ status: 422, problem: { errors: { kilnId: ['No such kiln.'] } } }));
  const { loop, place } = parts();
  await loop.ask();
  expect(place.choose).toHaveBeenCalledWith(null);
});

test('a finding that was accepted is not counted any more', async () => {
  answering(() => ({ body: preview({ findings: [finding('steam-risk'), finding('quartz-up')] }) }));
  const { loop, place } = parts();
  await loop.ask();
  expect(loop.openFindings).toBe(2);
  place.accepted = [{ id: 'quartz-up', severity: 'look' }];
  expect(loop.openFindings).toBe(1);
});

test('a fix is looked at beside what is there, without being made', async () => {
  answering(() => ({ body: preview() }));
  const { loop, tried, draft } = parts();
  await loop.ask();
  const asked = answering(() => ({
    body: preview({ poweredMinutes: 690, findings: [finding('quartz-up')] })
  }));
  tried.look({ from: 0, count: 1, steps: [] } as unknown as Finding['fix']);
  await until(() => expect(tried.shown).not.toBeNull());
  expect(asked[0]?.body).toMatchObject({ kilnId: 4, schedule: { segments: [{ rate: 60 }] } });
  expect(tried.shown?.change).toBe('1 h 30 longer, top 1222 °C, 1 left to look at');
  expect(draft.edit).not.toHaveBeenCalled();
  tried.look(null);
  expect(tried.shown).toBeNull();
});

test('a start is written to the firing it is for, once it rests', async () => {
  const { place, start } = parts();
  const change = vi.fn();
  Object.assign(place, { firing: { body: { startsAt: '2026-11-24T17:00:00Z' }, change } });
  start.take();
  expect(Date.parse(start.at ?? '')).toBe(Date.parse('2026-11-24T17:00:00Z'));
  start.remember('2026-11-24T17:00:00+00:00');
  await vi.advanceTimersByTimeAsync(1000);
  expect(change).not.toHaveBeenCalled();
  start.remember('2026-11-24T18:00:00+00:00');
  start.remember('2026-11-24T19:00:00+00:00');
  await vi.advanceTimersByTimeAsync(1000);
  expect(change).toHaveBeenCalledTimes(1);
  expect((change.mock.calls[0]?.[0] as () => unknown)()).toEqual({ startsAt: '2026-11-24T19:00:00+00:00' });
});

test('no start has no meaning to keep', () => {
  const { start } = parts();
  start.set('2026-11-24T17:00:00Z', 'top');
  start.set(null);
  expect(start.anchor).toBe('start');
});
