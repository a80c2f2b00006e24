import { toUnit } from '$lib/units';
import type { Unit } from '$lib/api/client';

/**
 * The colour ware glows in at a temperature, from grey through first dull red to pale yellow: colour by eye as potters
 * know it (no glow below 500 °C, dull red 550–600, cherry 800, orange 1000, yellow 1200, pale 1300).
 */
const stops: readonly (readonly [celsius: number, colour: string])[] = [
  [-20, '#857b71'],
  [450, '#8d7a6c'],
  [540, '#8a3f2c'],
  [600, '#a02a16'],
  [700, '#b02f14'],
  [800, '#cc3a14'],
  [900, '#e35418'],
  [1000, '#f0761f'],
  [1100, '#f79b35'],
  [1200, '#fcc566'],
  [1300, '#ffe9b4'],
  [1400, '#fff7e0']
];

/** Stops of a vertical gradient over a range of temperatures, offsets from its bottom. */
export function glowStops(low: number, high: number, unit: Unit): { offset: number; colour: string }[] {
  return stops.map(([celsius, colour]) => ({
    offset: Math.min(1, Math.max(0, (toUnit(celsius, unit) - low) / (high - low))),
    colour
  }));
}

/** The colour at one temperature, for small marks. */
export function glowAt(temperature: number, unit: Unit): string {
  let colour = '#857b71';
  for (const [celsius, shade] of stops) if (temperature >= toUnit(celsius, unit)) colour = shade;
  return colour;
}
