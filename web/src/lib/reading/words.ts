import { bendWords as called, coneBend, workAtBend } from '$lib/api/vocabulary';
import { apartBy } from '$lib/scales';

/** Less and a cone stands, more and it is flat; between them it is read. */
export const standing = coneBend.setAt;
export const flat = standing + workAtBend.length;

/** "stands", "half past 4", "down, at 6", "flat": as the core calls it, short enough for its field. */
export const bendWords = (bend: number): string =>
  called.findLast((c) => c.from <= bend)?.words.replace(/^at |(?<=^down.*) o’clock$/, '') ?? called[0].words;

/** What somebody types of a cone: "3", "half past 4", "4.5", "4:30", "flat", "stands", "60°"; nothing for what is no reading. */
export function readBend(text: string): number | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(',', '.')
    .replace(/o['’]?clock/, '')
    .trim();
  if (/^(stands?|standing|up|upright)$/.test(said)) return standing;
  if (/^(flat|puddle)$/.test(said)) return flat;
  if (/^down/.test(said)) return 90;
  const degrees = /^(\d+(?:\.\d+)?)\s*(?:°|deg(?:rees)?)$/.exec(said);
  if (degrees) return Number(degrees[1]) <= 179 ? Number(degrees[1]) : null;
  const half = /^half past (\d+)$/.exec(said);
  const clock = /^(\d+):(\d{2})$/.exec(said);
  const hour = half ? Number(half[1]) + 0.5 : clock ? Number(clock[1]) + Number(clock[2]) / 60 : Number(said);
  if (said === '' || !Number.isFinite(hour) || hour < 0 || hour >= 13) return null;
  const bend = (hour >= 12 ? hour - 12 : hour) * 15;
  return bend <= 119 ? bend : null;
}

/** Heat work that bends a cone so far, and back, between the degrees the core gives. */
function workOf(bend: number): number {
  const at = Math.min(Math.max(bend - standing, 0.2), workAtBend.length - 1);
  const low = Math.min(Math.floor(at), workAtBend.length - 2);
  const [from, to] = [workAtBend[low] ?? 0, workAtBend[low + 1] ?? 0];
  return from + (to - from) * (at - low);
}

function bendOf(work: number): number {
  const next = workAtBend.findIndex((w) => w > work);
  if (next < 0) return flat;
  if (next === 0) return standing;
  const [from, to] = [workAtBend[next - 1] ?? 0, workAtBend[next] ?? 0];
  return standing + next - 1 + (work - from) / (to - from);
}

/** How far a cone has bent where another of its pack was found bent so far: both as many times what was expected of them. */
export function alongWith(bend: number, expected: number, other: number): number {
  const along = bendOf((workOf(bend) / workOf(expected)) * workOf(other));
  return Math.round(Math.min(flat, Math.max(standing, along)));
}

/** "+6 °C", "−3 °C", "on the cone", from kelvins. */
export const past = (degrees: number) =>
  Math.abs(degrees) < 0.5 ? 'on the cone' : `${degrees > 0 ? '+' : ''}${apartBy(degrees)}`;

export const shelfWords = (shelf: string | number) =>
  typeof shelf === 'number' || /^\d+$/.test(String(shelf))
    ? `Shelf ${shelf}`
    : `${shelf[0]?.toUpperCase()}${shelf.slice(1)}`;

export const severities = [
  { id: 'looks', name: 'only looks so' },
  { id: 'refire', name: 'fired again' },
  { id: 'lost', name: 'lost' }
] as const;

/** Where a cause lies, for people. */
export const lies: Record<string, string> = {
  firing: 'this firing',
  bisque: 'the bisque before',
  load: 'how it was loaded',
  kiln: 'the kiln',
  atmosphere: 'the air in it',
  stuff: 'glaze or clay',
  making: 'the making',
  person: 'what was done or said'
};

/** From so much on a cause is told as one, and from so much on as the likely one; below it is a guess among others. */
const [sure, likely] = [0.75, 0.5] as const;

/** "Dull: slow band too short.", "Dull, probably: … (58 of 100).", "Dull, perhaps: … (36 of 100).": as sure as its number. */
export const asSure = (fault: string, cause: string, probability: number): string =>
  probability >= sure
    ? `${fault}: ${cause}.`
    : `${fault}, ${probability >= likely ? 'probably' : 'perhaps'}: ${cause} (${Math.round(probability * 100)} of 100).`;
