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

const weekday = new Intl.DateTimeFormat(undefined, { weekday: 'short' });
const timeOfDay = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });
const dayAndMonth = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' });
const dayMonthYear = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

/** "Tue 21:05". */
export const clock = (at: Date) => `${weekday.format(at)} ${timeOfDay.format(at)}`;
export const shortTime = (at: Date) => timeOfDay.format(at);
export const dayName = (at: Date) => weekday.format(at);

/** "today 21:05", "yesterday 09:10", "12 Sep", "12 Sep 2025". */
export function when(at: Date, now = new Date()): string {
  const days = Math.round((startOfDay(now) - startOfDay(at)) / 86_400_000);
  if (days === 0) return `today ${timeOfDay.format(at)}`;
  if (days === 1) return `yesterday ${timeOfDay.format(at)}`;
  return (at.getFullYear() === now.getFullYear() ? dayAndMonth : dayMonthYear).format(at);
}

const startOfDay = (at: Date) => new Date(at.getFullYear(), at.getMonth(), at.getDate()).getTime();

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`;

export const kindNames = {
  drying: 'Drying',
  bisque: 'Bisque',
  glaze: 'Glaze',
  'once-fired': 'Once-fired'
} as const;
export type Kind = keyof typeof kindNames;
export const kindName = (kind: string) => kindNames[kind as Kind] ?? kind;

/** A moment as a date and time field takes it, in this machine's own zone. */
export function toLocalField(at: Date): string {
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** A date and time with this machine's offset, as the API wants it; daylight saving is that of the day itself. */
export function withOffset(local: string): string | null {
  const at = new Date(local);
  if (Number.isNaN(at.getTime())) return null;
  const pad = (n: number) => String(Math.trunc(Math.abs(n))).padStart(2, '0');
  const offset = -at.getTimezoneOffset();
  return `${local.length === 16 ? `${local}:00` : local}${offset < 0 ? '-' : '+'}${pad(offset / 60)}:${pad(offset % 60)}`;
}

/** A moment as the server tells it, as a date field takes it. */
export const localFieldOf = (moment: string) => toLocalField(new Date(moment));

/** A moment some hours later. */
export const laterBy = (moment: string, hours: number) =>
  new Date(Date.parse(moment) + hours * 3_600_000).toISOString();
