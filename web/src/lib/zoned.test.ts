import { describe, expect, it } from 'vitest';
import { inZone, momentOf, wallOf } from './zoned';

describe('moments on the studio clock', () => {
  it.each([
    ['2026-11-24', '17:30', 'Europe/London', '2026-11-24T17:30:00+00:00'],
    ['2026-07-01', '17:30', 'Europe/London', '2026-07-01T17:30:00+01:00'],
    ['2026-07-01', '00:05', 'America/New_York', '2026-07-01T00:05:00-04:00'],
    ['2026-07-01', '12:00', 'Asia/Kolkata', '2026-07-01T12:00:00+05:30'],
    ['2026-07-01', '12:00', 'America/St_Johns', '2026-07-01T12:00:00-02:30'],
    // Clocks go forward: 01:30 is not there and becomes 02:30. They go back: 01:30 comes twice, the first counts.
    ['2026-03-29', '01:30', 'Europe/London', '2026-03-29T02:30:00+01:00'],
    ['2026-10-25', '01:30', 'Europe/London', '2026-10-25T01:30:00+01:00'],
    ['2026-10-25', '02:30', 'Europe/London', '2026-10-25T02:30:00+00:00']
  ])('%s %s in %s', (date, time, zone, moment) => expect(momentOf({ date, time }, zone)).toBe(moment));

  it('is nothing for what is no day or time', () => {
    expect(momentOf({ date: '', time: '12:00' }, 'UTC')).toBeNull();
    expect(momentOf({ date: '2026-01-01', time: '25:00' }, 'UTC')).toBeNull();
  });

  it('goes there and back, hour by hour through a year', () => {
    const wrong: string[] = [];
    for (const zone of ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'UTC'])
      for (let h = 0; h < 8760; h += 7) {
        const at = new Date(Date.UTC(2026, 0, 1, h));
        const back = Date.parse(momentOf(wallOf(at, zone), zone) ?? '');
        // Only in the hour that comes twice is the first of both meant.
        const same = [0, 1_800_000, 3_600_000].includes(at.getTime() - back);
        if (!same || Date.parse(inZone(at, zone)) !== at.getTime()) wrong.push(`${at.toISOString()} ${zone}`);
      }
    expect(wrong).toEqual([]);
  });
});
