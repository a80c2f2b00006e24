// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { answering } from '$lib/testing/wire';
import { ShorthandLine } from './shorthand-line.svelte';

afterEach(() => vi.restoreAllMocks());

it('asks “°F?” where steps are too hot for °C, and reads them so at one press', async () => {
  const asked = answering(({ path, body }) => {
    if (path === '/api/preview') return { body: { peak: 1830, unit: 'F' } };
    const { text, unit } = body as { text: string; unit: string };
    const reads = unit === 'F' || !text.includes('1830');
    return reads
      ? {
          body: {
            unit,
            segments: [{ pace: 'rate', rate: 400, target: text.includes('1830') ? 1830 : 900 }],
            line: text
          }
        }
      : { problem: { detail: 'This is hotter than anything fired.' }, status: 422 };
  });
  const line = new ShorthandLine();
  await line.look('400/h to 1830');
  expect([line.isSchedule, line.isFahrenheit]).toEqual([false, true]);
  await line.takeFahrenheit();
  expect([line.isSchedule, line.isFahrenheit]).toEqual([true, false]);
  expect(line.segments[0]?.target).toBe(1830);
  expect(asked.at(-1)?.body).toMatchObject({ schedule: { unit: 'F' } });
  await line.look('');
  expect([line.isSchedule, line.preview]).toEqual([false, null]);
});
