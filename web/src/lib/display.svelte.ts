import type { StudioBody } from '$lib/api/client';

/** How the studio wants things shown and typed: its own clock and units, not the browser's guess. */
export const display = $state({
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  clock: 'twenty-four' as NonNullable<StudioBody['clock']>,
  unit: 'C' as NonNullable<StudioBody['unit']>,
  length: 'mm' as NonNullable<StudioBody['length']>,
  mass: 'kg' as NonNullable<StudioBody['mass']>,
  currency: '',
  /** The studio's settings have come; or will not. */
  known: false
});

/** Takes the studio's settings, as soon as they are there and whenever they change. */
export function showAs(studio: StudioBody): void {
  display.zone = studio.timeZone ?? display.zone;
  display.clock = studio.clock ?? display.clock;
  display.unit = studio.unit ?? display.unit;
  display.length = studio.length ?? display.length;
  display.mass = studio.mass ?? display.mass;
  display.known = true;
  display.currency = studio.currency ?? display.currency;
}
