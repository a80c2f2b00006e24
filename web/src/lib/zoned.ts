/** Moments and the studio's own clock, daylight saving included. */

const formatters = new Map<string, Intl.DateTimeFormat>();

function partsIn(zone: string): Intl.DateTimeFormat {
  const known = formatters.get(zone);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    hourCycle: 'h23'
  });
  formatters.set(zone, made);
  return made;
}

const two = (n: number) => String(Math.trunc(Math.abs(n))).padStart(2, '0');

/** What a clock in a zone shows at a moment, as if it were a moment of UTC; ms. */
function wallClock(at: number, zone: string): number {
  const part = Object.fromEntries(
    partsIn(zone)
      .formatToParts(at)
      .map((p) => [p.type, Number(p.value)])
  );
  return Date.UTC(
    part['year'] ?? 0,
    (part['month'] ?? 1) - 1,
    part['day'] ?? 1,
    part['hour'] ?? 0,
    part['minute'] ?? 0,
    part['second'] ?? 0
  );
}

const offsetAt = (at: number, zone: string) => wallClock(at, zone) - Math.floor(at / 1000) * 1000;

/** A day and a time of day on a zone's clock: "2026-11-24" and "17:30". */
export interface Wall {
  date: string;
  time: string;
}

export function wallOf(at: Date, zone: string): Wall {
  const iso = new Date(wallClock(at.getTime(), zone)).toISOString();
  return { date: iso.slice(0, 10), time: iso.slice(11, 16) };
}

/** A moment with the zone's offset, as the API wants it: "2026-11-24T17:30:00+00:00". */
export function inZone(at: Date, zone: string): string {
  const minutes = Math.round(offsetAt(at.getTime(), zone) / 60_000);
  const wall = new Date(at.getTime() + minutes * 60_000).toISOString().slice(0, 19);
  return `${wall}${minutes < 0 ? '-' : '+'}${two(minutes / 60)}:${two(minutes % 60)}`;
}

/**
 * The moment a zone's clock shows a day and a time; nothing when they are none. A time that daylight saving leaves out is moved on
 * by what it leaves out; one that comes twice is the first.
 */
export function momentOf({ date, time }: Wall, zone: string): string | null {
  const wall = Date.parse(`${date}T${time}:00Z`);
  if (Number.isNaN(wall)) return null;
  const day = 86_400_000;
  const [before, after] = [offsetAt(wall - day, zone), offsetAt(wall + day, zone)];
  const fits = [before, after].map((offset) => wall - offset).filter((at) => wallClock(at, zone) === wall);
  return inZone(new Date(fits.length > 0 ? Math.min(...fits) : wall - before), zone);
}
