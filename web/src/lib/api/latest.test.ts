import { expect, it, vi } from 'vitest';
import { Latest } from './latest';

const answered = (value: string, ms: number, signal: AbortSignal) =>
  new Promise<string>((done, fail) => {
    setTimeout(() => done(value), ms);
    signal.addEventListener('abort', () => fail(new DOMException('given up', 'AbortError')));
  });

it('takes the newest answer only, and gives up the older question', async () => {
  vi.useFakeTimers();
  const latest = new Latest();
  const taken: string[] = [];
  const failed = vi.fn();
  const signals: AbortSignal[] = [];
  for (const [value, ms] of [
    ['slow', 500],
    ['slower', 900],
    ['newest', 100]
  ] as const)
    void latest.ask(
      (signal) => (signals.push(signal), answered(value, ms, signal)),
      (a) => taken.push(a),
      failed
    );
  await vi.advanceTimersByTimeAsync(2_000);
  expect(taken).toEqual(['newest']);
  expect(failed).not.toHaveBeenCalled();
  expect(signals.map((s) => s.aborted)).toEqual([true, true, false]);
  vi.useRealTimers();
});

it('tells of a failure that nobody asked for', async () => {
  const failed = vi.fn();
  await new Latest().ask(
    () => Promise.reject(new TypeError('no network')),
    () => {},
    failed
  );
  expect(failed).toHaveBeenCalledOnce();
});
