// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { display } from '$lib/display.svelte';
import { Page } from '$lib/testing/page';
import HeatWorkCard from './HeatWorkCard.svelte';
import LinkChoice from './LinkChoice.svelte';
import LogLine from './LogLine.svelte';
import NextAction from './NextAction.svelte';
import RoomKiln from './RoomKiln.svelte';
import type { Alarm, Live, RoomKiln as Kiln, Run } from './types';

const startsAt = new Date(2026, 10, 24, 8, 0).toISOString();
const run = { firingId: 7, startsAt, goalCone: '6', link: 'push', openedAt: null } as unknown as Run;
const live = (over: Partial<Live> = {}): Live =>
  ({
    state: 'firing',
    phase: 'climb',
    minute: 300,
    lastMinute: 300,
    display: 1012,
    chamber: 1010,
    deviationMinutes: 7,
    endMinute: null,
    cones: [],
    gaps: [],
    alarms: [],
    next: { kind: 'top', text: 'Look at the cones', minute: 420 },
    forecast: { top: { p50: 430 }, open: { p50: 1200 }, cones: [] },
    ...over
  }) as unknown as Live;
const alarm = (id: string, weight: string, by: string | null = null, until: number | null = null) =>
  ({ id, weight, since: 290, until, acknowledgedBy: by, text: `${id}: look. Then act.` }) as unknown as Alarm;

let page: Page;
beforeEach(() => {
  display.zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  [display.unit, display.clock] = ['C', 'twenty-four'];
});
afterEach(() => page.close());

describe('the one thing to do next', () => {
  const next = (now: Live) => {
    const onact = vi.fn();
    page = new Page(NextAction as never, { run, live: now, onact });
    return onact;
  };
  const said = () => page.text('[data-testid="next-action"]');

  test('is told with its time, and without one when it is due', () => {
    const onact = next(live());
    expect(said()).toBe('Look at the cones at 15:00');
    page.press('Look at the cones at 15:00');
    expect(onact).toHaveBeenCalledOnce();
    page.close();
    next(live({ minute: 419.8 }));
    expect(said()).toBe('Look at the cones');
  });

  test('an opening is told as what not to do before', () => {
    next(live({ next: { kind: 'open', text: 'Leave it closed', minute: 1200 } as Live['next'] }));
    expect(said()).toBe('Leave it closed until about 04:00');
  });

  test('an alarm nobody has seen comes first; one that was seen, or only asks, does not', () => {
    next(live({ alarms: [alarm('weak', 'ask'), alarm('no-heat', 'warn')] }));
    expect(said()).toBe('What to do: no power');
    page.close();
    next(live({ alarms: [alarm('no-heat', 'warn', 'Maren'), alarm('steam-look', 'warn')] }));
    expect(said()).toBe('Look at the cones at 15:00');
  });

  test('nothing to do is no button', () => {
    next(live({ next: null }));
    expect(page.has('button')).toBe(false);
  });
});

describe('a kiln in the room', () => {
  const kiln = {
    kilnId: 1,
    name: 'Heron',
    firingId: 7,
    firing: 'Mugs',
    by: 'Maren',
    startsAt
  } as unknown as Kiln;
  const show = (of: Kiln, now: Live | null, wall = false) =>
    (page = new Page(RoomKiln as never, { kiln: of, live: now, wall }));

  test('says how hot, what it does and what comes, and leads to its firing', () => {
    show(kiln, live());
    expect(page.text('.now')).toContain('1012°');
    expect(page.text('.does')).toContain('climbing, 7 min behind');
    expect(page.text('.then')).toContain('Top about');
    expect(page.has('a[href="/firings/7?stage=fire"]')).toBe(true);
  });

  test('the gravest alarm is told before what comes next', () => {
    show(kiln, live({ alarms: [alarm('weak', 'warn'), alarm('over-limit', 'danger')] }));
    expect(page.text('.next')).toBe('over-limit');
  });

  test('one that is over is told no more', () => {
    show(kiln, live({ alarms: [alarm('over-limit', 'danger', null, 295)] }));
    expect(page.text('.next')).toContain('Look at the cones');
  });

  test('one that cannot be followed is not free', () => {
    show({ ...kiln, firing: null, trouble: null } as unknown as Kiln, null);
    expect(page.text('.does')).toContain('in use');
    expect(page.text('.next')).toContain('Look at the kiln itself');
  });

  test('a free one offers a firing, but not on the wall', () => {
    const free = { kilnId: 2, name: 'Wren', firingId: null } as unknown as Kiln;
    show(free, null);
    expect(page.text('.facts')).toContain('Free');
    expect(page.text('.next')).toBe('Plan a firing for it');
    expect(page.has('a[href*="say"]')).toBe(true);
    page.close();
    show(free, null, true);
    expect(page.has('.next')).toBe(false);
    expect(page.has('a')).toBe(false);
  });
});

describe('heat work', () => {
  const cone = { cone: '6', progress: 0.4, bendDegrees: 20, phrase: 'leaning' };
  const at = (p10: number | null, p90: number | null) =>
    live({
      cones: [cone] as never,
      forecast: { cones: [{ cone: '6', phrase: 'at 6 o’clock', degrees: { p10, p50: 0, p90 } }] } as never
    });
  const show = (now: Live, by?: string) =>
    (page = new Page(HeatWorkCard as never, {
      run,
      live: now,
      unit: 'C',
      by,
      source: 'By the display.',
      withTimes: false
    }));

  test('the goal at the end is as sure as it is', () => {
    show(at(-3.4, 4.2));
    expect(page.text('[data-testid="cone-forecast"]')?.replace(/\s+/g, ' ')).toBe(
      'At the end: cone 6 at 6 o’clock· -3 to 4 °C of cone from its end point'
    );
    page.close();
    show(at(-0.2, 0.3), 'by this plan');
    expect(page.text('[data-testid="cone-forecast"]')?.replace(/\s+/g, ' ')).toBe(
      'At the end by this plan: cone 6 at 6 o’clock'
    );
  });

  test('after the end there is nothing left to foretell', () => {
    show({ ...at(-3, 4), endMinute: 500 });
    expect(page.has('[data-testid="cone-forecast"]')).toBe(false);
  });

  test('without a goal it says so; with one, and nothing known yet, when it begins', () => {
    page = new Page(HeatWorkCard as never, {
      run: { ...run, goalCone: null },
      live: live(),
      unit: 'C',
      source: '',
      withTimes: false
    });
    expect(page.text('section')).toBe('No goal cone: heat work is not counted.');
    page.close();
    show(live());
    expect(page.text('section')).toBe('Heat work for cone 6 is counted from the first reading on.');
  });

  test('there is no line above times that nobody knows', () => {
    page = new Page(HeatWorkCard as never, {
      run,
      live: live({ forecast: null }),
      unit: 'C',
      source: '',
      withTimes: true
    });
    expect(page.has('.border-t')).toBe(false);
  });
});

describe('under the curve', () => {
  const line = (props: object) => {
    const told = { onreplay: vi.fn(), onpart: vi.fn(), onimport: vi.fn() };
    page = new Page(LogLine as never, {
      run,
      live: live(),
      log: { readings: 1200 },
      over: false,
      isPart: false,
      replaying: false,
      ...told,
      ...props
    });
    return told;
  };

  test('the last hour is looked at, and the whole again', () => {
    const told = line({});
    expect(page.text('p')).toContain('1,200 readings');
    page.press('Last hour');
    expect(told.onpart).toHaveBeenCalledWith({ from: 240, to: 305 });
    page.close();
    const again = line({ isPart: true });
    page.press('Whole firing');
    expect(again.onpart).toHaveBeenCalledWith(null);
  });

  test('a short firing has no last hour, a simulated one no file', () => {
    line({ live: live({ lastMinute: 40 }), run: { ...run, link: 'simulated' } });
    expect(() => page.find('Last hour')).toThrow();
    expect(() => page.find('Import a log file')).toThrow();
  });

  test('it is gone through again only when it is over', () => {
    const told = line({ over: true });
    page.press('Replay');
    expect(told.onreplay).toHaveBeenCalledOnce();
    page.close();
    line({ over: false });
    expect(() => page.find('Replay')).toThrow();
  });
});

describe('where readings come from', () => {
  test('a gas kiln is turned and seen by hand; only a simulated kiln has a speed', () => {
    page = new Page(LinkChoice as never, { isFuel: true, link: 'hand', speed: 1 });
    expect(page.text('legend')).toBe('How it is followed');
    expect(page.has('input[value="simulated"]')).toBe(false);
    page.close();
    page = new Page(LinkChoice as never, { isFuel: false, link: 'simulated', speed: 60 });
    expect(page.find<HTMLSelectElement>('Speed').value).toBe('60');
  });
});
