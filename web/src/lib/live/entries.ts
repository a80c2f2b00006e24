import { display } from '$lib/display.svelte';
import { momentOf, wallOf } from '$lib/zoned';
import type { Entry } from './types';

/** Entries as they count: without what was taken back, and without the taking back. */
export function inForce(entries: readonly Entry[]): Entry[] {
  const back = new Set(entries.filter((e) => e.kind === 'taken-back').map((e) => e.subject));
  return entries.filter((e) => e.kind !== 'taken-back' && e.kind !== 'retimed' && !back.has(e.key));
}

/** A time of day as somebody writes it, 02:30 or 230, as the moment nearest to another; null where it is none. */
export function nearest(text: string, to: Date): string | null {
  const clock = /^([01]?\d|2[0-3])[:.]?([0-5]\d)$/.exec(text.trim());
  if (!clock) return null;
  const time = `${clock[1]?.padStart(2, '0')}:${clock[2]}`;
  const day = 86_400_000;
  return (
    [-day, 0, day]
      .map((by) => momentOf({ ...wallOf(new Date(to.getTime() + by), display.zone), time }, display.zone))
      .filter((m) => m !== null)
      .toSorted(
        (a, b) => Math.abs(Date.parse(a) - to.getTime()) - Math.abs(Date.parse(b) - to.getTime())
      )[0] ?? null
  );
}
