import type { Unit } from '$lib/api/client';
import { perKelvin, toCelsius, toUnit } from '$lib/units';
import type { AlarmId } from '$lib/api/vocabulary';
import { clock, duration, number, sameDay, shortTime } from '$lib/format';
import type { FiringState, Live, Spread } from './types';

/** What the screens say of a running firing. */

export const stateNames: Record<FiringState, string> = {
  planned: 'Planned',
  set: 'Set',
  started: 'Waiting to start',
  firing: 'Firing',
  cooling: 'Cooling',
  stopped: 'Stopped early',
  opened: 'Opened',
  read: 'Read',
  closed: 'Closed'
};

/** What the sign at the kiln says: it cools for a day after it fires, and is not to be opened then either. */
export function tagSign(
  state: FiringState | null | undefined,
  celsius: number | null | undefined,
  opensAt: number | null | undefined
): { word: string; under: string } {
  if (state === 'opened' || state === 'read' || state === 'closed')
    return { word: 'OPEN', under: 'the firing is over' };
  if (state !== 'cooling' && state !== 'stopped') return { word: 'FIRING', under: 'do not open' };
  return celsius != null && opensAt != null && celsius <= opensAt
    ? { word: 'COOL', under: 'may be opened' }
    : { word: 'COOLING', under: 'do not open' };
}

/** "1196°", of the person's scale. */
export const big = (celsius: number | null | undefined, unit: 'C' | 'F') =>
  celsius === null || celsius === undefined ? '–' : `${number(toUnit(celsius, unit), 0)}°`;

/** "7 min behind", "3 min ahead", "on plan". */
export function late(minutes: number | null | undefined): string {
  if (minutes === null || minutes === undefined) return '';
  const whole = Math.round(minutes);
  if (Math.abs(whole) < 3) return 'on plan';
  return `${Math.abs(whole) < 100 ? `${Math.abs(whole)} min` : duration(Math.abs(whole))} ${whole > 0 ? 'behind' : 'ahead'}`;
}

/** "6° over", "12° under"; nothing where it hardly matters. */
export function off(kelvins: number | null | undefined, unit: 'C' | 'F'): string {
  if (kelvins === null || kelvins === undefined) return '';
  const whole = Math.round(kelvins * perKelvin(unit));
  return Math.abs(whole) < 3 ? '' : `${Math.abs(whole)}° ${whole > 0 ? 'over' : 'under'}`;
}

const momentAt = (start: string, minute: number) => new Date(Date.parse(start) + minute * 60_000);

/** "14:52 ± 4 min", "Thu 21:10 ± 30 min", "may never come". */
export function expected(start: string, spread: Spread, now: Date): string {
  if (spread.p50 === null) return 'may never come';
  const at = momentAt(start, spread.p50);
  const shown = sameDay(at, now) ? shortTime(at) : clock(at);
  if (spread.p90 === null) return `${shown}, or much later`;
  const [sooner, later] = [spread.p50 - (spread.p10 ?? spread.p50), spread.p90 - spread.p50];
  if (later > 60 && later > 2.5 * sooner) {
    const latest = momentAt(start, spread.p90);
    return `${shown}, perhaps as late as ${sameDay(latest, at) ? shortTime(latest) : clock(latest)}`;
  }
  const either = Math.max(later, sooner);
  if (either < 1) return shown;
  return `${shown} ± ${either < 90 ? `${Math.round(either)} min` : duration(either)}`;
}

/** What the controller does, as one line: "climbing to 1208°, 62° an hour". */
export function doing(live: Live, target: number | null | undefined, unit: 'C' | 'F'): string {
  const to = target === null || target === undefined ? '' : ` to ${big(target, unit)}`;
  switch (live.phase) {
    case 'waiting':
      return 'has not begun to heat';
    case 'climb':
      return `climbing${to}`;
    case 'hold':
      return `holding at ${big(live.setPoint, unit)}`;
    case 'cool':
      return `cooling${to} at a rate`;
    default:
      return live.state === 'stopped'
        ? 'stopped, power off'
        : live.state === 'opened'
          ? 'opened'
          : 'power off, cooling';
  }
}

/** Alarms in a few words, as the log tells them; their sentences are the program’s own. */
export const alarmNames: Record<AlarmId, string> = {
  'tc-broken': 'no temperature',
  'tc-jump': 'the reading jumped',
  'tc-short': 'the reading fell at once',
  'tc-reversed': 'the reading runs backwards',
  frozen: 'the same number for long',
  'no-reading': 'no readings',
  'over-limit': 'too hot for this firing',
  'over-set-point': 'hotter than asked',
  'stuck-on': 'power that does not stop',
  'no-heat': 'no power',
  'power-cut': 'the power was off',
  'falls-fast': 'cooling far too fast',
  weak: 'less power than usual',
  stalled: 'hardly climbing',
  'cannot-reach': 'it may not reach the top',
  'cone-short': 'the goal cone may stay up',
  'cone-past': 'more heat than the goal cone',
  'turn-due': 'a turn is due',
  'turn-overdue': 'a turn is overdue',
  'past-end': 'the power should be off',
  'steam-look': 'look for steam'
};

/** An alarm in a few words; one of a newer program by its own name. */
export const alarmName = (id: string) => (alarmNames as Record<string, string>)[id] ?? id;

/** Minutes of a firing as a moment by the clock. */
export const atMinute = (start: string, minute: number) => momentAt(start, minute);

/** What somebody types of a display, in °C; what is wrong with it otherwise. */
export function readOff(text: string, unit: Unit): number | string {
  const value = Number(
    text
      .replace('−', '-')
      .replace(',', '.')
      .replace(/ ?°?[CF]? *$/i, '')
      .trim()
  );
  if (!text.trim() || !Number.isFinite(value)) return 'A number, like 812.';
  const celsius = toCelsius(value, unit);
  return celsius < -50 || celsius > 1800 ? 'No kiln is as hot, or as cold, as that.' : celsius;
}
