import type { Unit } from './api/client';
import { display } from './display.svelte';
import { sayArea, sayMass } from './fields/measure';
import { degrees, number } from './format';
import { perKelvin, toCelsius, toUnit } from './units';

/** Numbers with their unit, on the studio's own scales. */

/** "1262 °C", "2304 °F": a temperature told in °C. */
export const heat = (celsius: number): string => degrees(toUnit(celsius, display.unit), display.unit);

/** The same, told on a scale of its own: of a schedule, a kiln, a glaze. */
export const heatOf = (degrees: number, unit: Unit): string => heat(toCelsius(degrees, unit));

/** "6 °C", "11 °F": by how much two temperatures differ, told in kelvins. */
export const apartBy = (kelvins: number, decimals = 0): string =>
  `${number(kelvins * perKelvin(display.unit), decimals)} °${display.unit}`;

/** "27.2 kg", "60 lb": as fine as three figures, and no finer than a scale. */
export const weight = (kg: number): string => {
  const shown = display.mass === 'kg' ? kg : Number(sayMass(kg, 'lb'));
  return `${number(shown, Math.abs(shown) >= 100 ? 0 : 1)} ${display.mass}`;
};

/** "225 cm²", "34.9 in²". */
export const area = (cm2: number): string =>
  `${sayArea(cm2, display.length)} ${display.length === 'mm' ? 'cm²' : 'in²'}`;
