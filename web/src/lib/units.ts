import type { Unit } from '$lib/api/client';
import { fahrenheit } from '$lib/api/vocabulary';

/** Degrees of a scale to a kelvin. */
export const perKelvin = (unit: Unit): number => (unit === 'F' ? fahrenheit.perKelvin : 1);

/** A temperature in °C on a scale. */
export const toUnit = (celsius: number, unit: Unit): number =>
  unit === 'F' ? celsius * fahrenheit.perKelvin + fahrenheit.freezing : celsius;

/** A temperature of a scale in °C. */
export const toCelsius = (degrees: number, unit: Unit): number =>
  unit === 'F' ? (degrees - fahrenheit.freezing) / fahrenheit.perKelvin : degrees;
