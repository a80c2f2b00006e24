import { display } from '$lib/display.svelte';
import { duration, money, number } from '$lib/format';
import { apartBy, heat, weight } from '$lib/scales';
import { perKelvin } from '$lib/units';
import type { Compared } from './queries';

export type Figure = Pick<Compared['differences'][number], 'name' | 'unit'>;

const rate = (kelvins: number) => `${number(kelvins * perKelvin(display.unit), 0)} °${display.unit}/h`;

/** A figure of a firing with its unit, on the studio's own scales; a difference of two is told by its size. */
export function sayFigure({ name, unit }: Figure, value: number, isDifference = false): string {
  switch (unit) {
    case '°C':
      return isDifference ? apartBy(value) : heat(value);
    case '°C/h':
      return rate(value);
    case '°C of cone':
      return `${apartBy(value)} of cone`;
    case 'h':
      return isDifference && Math.abs(value) < 1 ? `${number(value * 60, 0)} min` : duration(value * 60);
    case 'min':
      return `${number(value, 0)} min`;
    case 'kg':
      return weight(value);
    case 'kWh':
      return `${number(value, 0)} kWh`;
    default:
      return name === 'cost' ? money(value, display.currency) : `${number(value * 100, 0)} %`;
  }
}

/** How far firings lie apart in a figure: of two the second against the first, of more from the least to the most; nothing where too few are known. */
export function apart(figure: Figure, values: readonly (number | null)[]): string {
  const known = values.filter((v) => v !== null);
  if (known.length < 2) return '';
  const [first, second] = [values[0], values[1]];
  if (values.length > 2 || first == null || second == null)
    return sayFigure(figure, Math.max(...known) - Math.min(...known), true);
  const by = second - first;
  const said = sayFigure(figure, Math.abs(by), true);
  return said === sayFigure(figure, 0, true) ? 'same' : `${by > 0 ? '+' : '−'}${said}`;
}
