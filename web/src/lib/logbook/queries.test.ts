import { describe, expect, it } from 'vitest';
import { answering } from '$lib/testing/wire';
import { askedIn, came, compared, logbook } from './queries';

describe('the logbook', () => {
  it('is narrowed by what stands in the address, and by nothing else', () => {
    const asked = askedIn(new URLSearchParams('search=&glaze=3&since=2026-11-01&page=7&good=true'));
    expect(asked).toEqual({ glaze: '3', since: '2026-11-01T00:00:00.000Z', good: 'true' });
    expect(askedIn(new URLSearchParams())).toEqual({});
  });

  it('says what came out of a firing', () => {
    const firing = { out: 28, lost: 2, faults: [], good: false } as unknown as Parameters<typeof came>[0];
    expect(came(firing)).toBe('28 out, 2 lost');
    expect(came({ ...firing, lost: 0 })).toBe('28 out');
    expect(came({ ...firing, lost: 0, good: true })).toBe('28 out, all good');
    expect(came({ ...firing, out: null })).toBe('not counted yet');
    expect(came({ ...firing, out: null, faults: ['pinholes'] as never })).toBe('');
  });

  it('throws what the server refuses, so that the page can say it', async () => {
    answering(() => ({ problem: { detail: 'No such kiln.' } }));
    await expect(logbook({}).queryFn()).rejects.toEqual({ detail: 'No such kiln.' });
  });

  it('asks again for another way of laying firings over each other', async () => {
    const asked = answering(() => ({ body: { firings: [] } }));
    await compared([1, 2], 'top', null).queryFn();
    expect(asked[0]?.body).toEqual({ firings: [1, 2], align: 'top', celsius: null });
    expect(compared([1, 2], 'top', null).queryKey).not.toEqual(compared([1, 2], 'start', null).queryKey);
    expect(compared([1, 2], 'top', null).queryKey).not.toEqual(compared([2, 1], 'top', null).queryKey);
  });
});
