import type { KilnNumber, Unit } from '$lib/api/client';
import { display } from '$lib/display.svelte';
import { readQuantity, sayArea, sayLength, sayMass } from '$lib/fields/measure';
import type { Reading } from '$lib/fields/parse';
import { toCelsius, toUnit } from '$lib/units';

type Measured = Pick<KilnNumber, 'unit'>;

/** What a number of a kiln is kept in; its temperatures on the kiln's own scale. */
const keptIn = ({ unit }: Measured, own: Unit) => (unit === '°C' ? `°${own}` : unit);

/** What it is shown and typed in: the studio's own. */
export function shownIn({ unit }: Measured): string {
  switch (unit) {
    case '°C':
      return `°${display.unit}`;
    case 'mm':
      return display.length;
    case 'kg':
      return display.mass;
    case 'cm²':
      return display.length === 'mm' ? 'cm²' : 'in²';
    default:
      return unit;
  }
}

/** As it is shown; empty where it is not given. */
export function shown({ unit }: Measured, value: unknown, own: Unit): string {
  if (typeof value !== 'number') return '';
  switch (unit) {
    case '°C':
      return String(Math.round(toUnit(toCelsius(value, own), display.unit) * 10) / 10);
    case 'mm':
      return sayLength(value, display.length);
    case 'kg':
      return sayMass(value, display.mass);
    case 'cm²':
      return sayArea(value, display.length);
    default:
      return String(value);
  }
}

/** As it was typed, in what it is kept in: a bare number is in what is shown. */
export function readShown(n: Measured, text: string, own: Unit): Reading<number> {
  const [kept, typed] = [keptIn(n, own), shownIn(n)];
  const bare = kept !== typed && /[\d.,/]$/.test(text.trim());
  return readQuantity(bare ? `${text.trim()} ${typed}` : text, kept);
}
