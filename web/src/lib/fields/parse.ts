/** What people type into the fields of a sentence. A reading is a value, or the words to say when there is none. */
export type Reading<T> = { value: T } | { error: string };

const plain = (text: string) => text.trim().replace(/−/g, '-');

/** "1040", "1040.5", "−5"; empty is nothing. The limits are the server's to know. */
export function readNumber(text: string): Reading<number | null> {
  const t = plain(text).replace(/\s*°?\s*[cf]?$/i, '');
  if (t === '') return { value: null };
  return /^-?(\d+\.?\d*|\.\d+)$/.test(t) ? { value: Number(t) } : { error: 'A number is expected here.' };
}

export interface PaceReading {
  pace: 'rate' | 'full' | 'natural';
  rate: number | null;
}

/** "80", "full", "off". */
export function readPace(text: string): Reading<PaceReading> {
  const t = plain(text).toLowerCase();
  if (/^(f(u(l(l( power)?)?)?)?|max|fast)$/.test(t)) return { value: { pace: 'full', rate: null } };
  if (/^(o(f(f)?)?|natural|power off)$/.test(t)) return { value: { pace: 'natural', rate: null } };
  const number = readNumber(t.replace(/\s*°?[cf]?\s*\/\s*h$/, ''));
  return 'error' in number
    ? { error: 'A rate is a number of degrees an hour, full, or off.' }
    : { value: { pace: 'rate', rate: number.value } };
}

/** Minutes from "45", "45 min", "1:30", "1 h 30", "1h", "1.5 h"; empty and "none" are no hold. */
export function readHold(text: string): Reading<number> {
  const t = plain(text).toLowerCase();
  if (t === '' || /^(no( hold)?|none|0)$/.test(t)) return { value: 0 };
  const clock = /^(\d+):(\d{2})$/.exec(t);
  if (clock) return { value: Number(clock[1]) * 60 + Number(clock[2]) };
  const hours = /^(\d+\.?\d*|\.\d+)\s*h(?:ours?|rs?)?\s*(?:(\d+)\s*(?:m|min)?)?$/.exec(t);
  if (hours) return { value: Math.round(Number(hours[1]) * 6000) / 100 + Number(hours[2] ?? 0) };
  const minutes = /^(-?(?:\d+\.?\d*|\.\d+))\s*(?:m|min|minutes?)?$/.exec(t);
  return minutes
    ? { value: Number(minutes[1]) }
    : { error: 'A hold is minutes, or hours and minutes: 45, 1:30, 1 h 30.' };
}

/** "21:05", "2105", "9:05 pm", "9pm", "noon" as 21:05 on a 24 hour clock. */
export function readTime(text: string): Reading<string> {
  const t = plain(text).toLowerCase().replace(/\./g, ':').replace(/\s+/g, '');
  if (t === 'noon') return { value: '12:00' };
  if (t === 'midnight') return { value: '00:00' };
  const read = /^(\d{1,2})(?::?(\d{2}))?([ap]):?m?:?$/.exec(t) ?? /^(\d{1,2})(?::?(\d{2}))?$/.exec(t);
  const error = { error: 'A time of day is written 21:05 or 9:05 pm.' };
  if (!read) return error;
  const [hour, minute, half] = [Number(read[1]), Number(read[2] ?? 0), read[3]];
  if (minute > 59 || hour > 23 || (half && (hour < 1 || hour > 12))) return error;
  const whole = half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour;
  return { value: `${String(whole).padStart(2, '0')}:${String(minute).padStart(2, '0')}` };
}

/** "21:05" as the studio's clock writes it. */
export function sayTime(time: string, clock: 'twenty-four' | 'twelve'): string {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  if (clock === 'twenty-four') return `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
  return `${hour % 12 === 0 ? 12 : hour % 12}:${String(minute).padStart(2, '0')} ${hour < 12 ? 'am' : 'pm'}`;
}
