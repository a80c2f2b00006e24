import { display } from './display.svelte';
import { inZone, momentOf, wallOf } from './zoned';

/** How numbers and times are written on every screen: real minus, no needless decimals, hours as people say them. */

export function number(value: number, decimals = 1): string {
  const rounded = Number(value.toFixed(decimals));
  return String(rounded === 0 ? 0 : rounded).replace('-', '−');
}

/** "£9.85", "9.85" where no currency was said. */
export const money = (sum: number, currency: string) =>
  `${currency}${currency.length > 1 ? ' ' : ''}${sum.toFixed(2).replace('-', '−')}`;

export const degrees = (value: number, unit: string) => `${number(value, 0)} °${unit}`;

/** "0 h 45", "2 h 05", "31 h 50". */
export function duration(minutes: number): string {
  const whole = Math.round(minutes);
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

/** "45 min", "1 h 30", "no hold". */
export function hold(minutes: number | null | undefined): string {
  if (!minutes) return '';
  return minutes < 60 ? `${number(minutes, 1)} min` : duration(minutes);
}

const formatters = new Map<string, Intl.DateTimeFormat>();

/** A formatter on the studio's own clock. */
function format(at: Date, options: Intl.DateTimeFormatOptions): string {
  const key = `${display.zone} ${display.clock} ${JSON.stringify(options)}`;
  let known = formatters.get(key);
  if (!known) {
    const hours = display.clock === 'twelve' ? ('h12' as const) : ('h23' as const);
    known = new Intl.DateTimeFormat('en-GB', {
      ...options,
      timeZone: display.zone,
      ...('hour' in options && { hourCycle: hours })
    });
    formatters.set(key, known);
  }
  return known.format(at);
}

/** "21:05", "9:05 pm". */
export const shortTime = (at: Date) =>
  format(at, { hour: display.clock === 'twelve' ? 'numeric' : '2-digit', minute: '2-digit' });
export const dayName = (at: Date) => format(at, { weekday: 'short' });

/** "Tue 21:05". */
export const clock = (at: Date) => `${dayName(at)} ${shortTime(at)}`;

/** "Tue 3 Mar, 21:05", for what hangs on a wall. */
export const dated = (at: Date | string) =>
  `${format(new Date(at), { weekday: 'short', day: 'numeric', month: 'short' }).replace(',', '')}, ${shortTime(new Date(at))}`;

/** The same day on the studio's clock. */
export const sameDay = (one: Date, other: Date) =>
  wallOf(one, display.zone).date === wallOf(other, display.zone).date;

const dayNumber = (at: Date) => Date.parse(wallOf(at, display.zone).date) / 86_400_000;

/** "today 21:05", "yesterday 09:10", "12 Sep", "12 Sep 2025". */
export function when(at: Date, now = new Date()): string {
  const days = dayNumber(now) - dayNumber(at);
  if (days === 0) return `today ${shortTime(at)}`;
  if (days === 1) return `yesterday ${shortTime(at)}`;
  const sameYear = wallOf(at, display.zone).date.slice(0, 4) === wallOf(now, display.zone).date.slice(0, 4);
  return format(at, { day: 'numeric', month: 'short', ...(!sameYear && { year: 'numeric' }) });
}

/** Where years begin on the studio's clock between two moments: "2025"; months, "Sep", where it is less than one and a half. */
export function yearsBetween(from: number, to: number): { at: number; text: string }[] {
  const [first, last] = [wallOf(new Date(from), display.zone).date, wallOf(new Date(to), display.zone).date];
  const month = (date: string) => Number(date.slice(0, 4)) * 12 + Number(date.slice(5, 7)) - 1;
  const [begin, end] = [month(first) + 1, month(last)];
  const every = end - begin >= 18 ? 12 : end - begin >= 6 ? 3 : 1;
  const at = (m: number) =>
    Date.parse(
      momentOf(
        { date: `${Math.floor(m / 12)}-${String((m % 12) + 1).padStart(2, '0')}-01`, time: '00:00' },
        display.zone
      ) ?? ''
    );
  return Array.from({ length: Math.max(0, end - begin + 1) }, (_, i) => begin + i)
    .filter((m) => m % every === 0)
    .map((m) => ({
      at: at(m),
      text:
        every === 12 ? String(Math.floor(m / 12)) : format(new Date(at(m) + 43_200_000), { month: 'short' })
    }));
}

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`;

/** "26 mugs", "1 mug": of ware somebody named, mostly by many. */
export const counted = (count: number, ware: string) => `${count} ${count === 1 ? one(ware) : ware}`;

const one = (ware: string) => ware.replace(/(?<=sh|ch|ss|x)es$|(?<!s)s$/, '');

export const kindNames = {
  drying: 'Drying',
  bisque: 'Bisque',
  glaze: 'Glaze',
  'once-fired': 'Once-fired',
  refiring: 'Refiring'
} as const;
export type Kind = keyof typeof kindNames;
export const kindName = (kind: string) => kindNames[kind as Kind] ?? kind;

/** A moment with the studio's own offset, as the API wants it. */
export const momentAt = (moment: Date | string) => inZone(new Date(moment), display.zone);

/** A moment some hours later. */
export const laterBy = (moment: string, hours: number) =>
  momentAt(new Date(Date.parse(moment) + hours * 3_600_000));
