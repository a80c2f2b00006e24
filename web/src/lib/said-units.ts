import { display } from './display.svelte';
import { sayLength, sayMass, type LengthUnit, type MassUnit } from './fields/measure';
import { number } from './format';
import type { Unit } from './api/client';
import { perKelvin, toUnit } from './units';

/**
 * Sentences the program makes, on the studio's own scales. They come in °C, mm, cm and kg, always written the same way; what somebody typed
 * is never put through this.
 */

export interface Scales {
  unit: Unit;
  length: LengthUnit;
  mass: MassUnit;
}

const n = String.raw`[−-]?\d[\d\u202f\u00a0 ]*(?:[.,]\d+)?`;
/** What makes a number of degrees one by which two temperatures differ. */
const apart = String.raw`too|above|behind|below|under|over|hotter|cooler|warmer|colder|higher|lower|more|less|apart|across|past|off|either way|in an hour`;
const before = String.raw`(?:\b(?:by|within|at most|the last|last|only) )`;

const value = (text: string) =>
  Number(
    text
      .replace(/[\s\u202f\u00a0]/g, '')
      .replace('−', '-')
      .replace(',', '.')
  );

/** As many decimals as it had; a whole number stays one. */
const like = (text: string, to: number) => number(to, /[.,]\d/.test(text) ? 1 : 0);

function fahrenheit(text: string): string {
  const scale = perKelvin('F');
  const by = (t: string) => `${/^\+/.test(t) ? '+' : ''}${like(t, value(t) * scale)}`;
  const at = (t: string) => like(t, toUnit(value(t), 'F'));
  // What is done stands in °F and is not met again.
  return (
    text
      // Rates, one or two of them: "150 °C/h", "100 to 150 °C/h", "30 °C an hour".
      .replace(
        new RegExp(`(?:(${n})( to |–| and ))?(${n}) °C(/h|/min| an hour)`, 'g'),
        (_, a: string | undefined, and: string | undefined, b: string, per: string) =>
          `${a === undefined ? '' : by(a) + and}${by(b)} °F${per}`
      )
      // Of cone, with its bounds: "+5 °C of cone (−1 to 12)".
      .replace(
        new RegExp(`([+±]? ?${n}) °C of cone(?: \\((${n}) to (${n})\\))?`, 'g'),
        (_, a: string, low: string | undefined, high: string | undefined) =>
          `${/^[±]/.test(a) ? `± ${by(a.slice(1).trim())}` : by(a)} °F of cone${low === undefined || high === undefined ? '' : ` (${by(low)} to ${by(high)})`}`
      )
      .replace(/°C of cone/g, '°F of cone')
      .replace(new RegExp(`± (${n}) °C`, 'g'), (_, a: string) => `± ${by(a)} °F`)
      // Differences: "+2 °C", "by 50 °C", "62 °C under", "at most 20 °C".
      .replace(new RegExp(`\\+(${n}) °C`, 'g'), (_, a: string) => `+${by(a)} °F`)
      .replace(new RegExp(`(${before})(${n}) °C`, 'gi'), (_, how: string, a: string) => `${how}${by(a)} °F`)
      .replace(
        new RegExp(`(${n})( to (${n}))? °C (${apart})\\b`, 'g'),
        (_, a: string, _to, b: string | undefined, how: string) =>
          b === undefined ? `${by(a)} °F ${how}` : `${by(a)} to ${by(b)} °F ${how}`
      )
      // Temperatures, one or two of them: "850–950 °C", "950 to 850 °C", "between 20 and 120 °C".
      .replace(
        new RegExp(`(${n})( to |–| and |-)(${n}) °C`, 'g'),
        (_, a: string, and: string, b: string) => `${at(a)}${and}${at(b)} °F`
      )
      .replace(new RegExp(`(${n}) °C`, 'g'), (_, a: string) => `${at(a)} °F`)
      .replace(/°C\b/g, '°F')
  );
}

const lengths = (text: string): string =>
  text.replace(
    new RegExp(`(?:(${n})( to |–| × | and ))?(${n}) (mm|cm)\\b(?!²)`, 'g'),
    (_, a: string | undefined, and: string | undefined, b: string, unit: string) => {
      const by = unit === 'cm' ? 10 : 1;
      const inches = (t: string) => sayLength(value(t) * by, 'in');
      return `${a === undefined ? '' : inches(a) + (and ?? '')}${inches(b)} in`;
    }
  );

const masses = (text: string): string =>
  text.replace(
    new RegExp(`(?:(${n})( to |–| and ))?(${n}) kg\\b(?: ± (${n}))?`, 'g'),
    (_, a: string | undefined, and: string | undefined, b: string, either: string | undefined) => {
      const pounds = (t: string) => sayMass(value(t), 'lb');
      return `${a === undefined ? '' : pounds(a) + (and ?? '')}${pounds(b)} lb${either === undefined ? '' : ` ± ${pounds(either)}`}`;
    }
  );

/** A sentence on given scales. */
export function saidOn(text: string, { unit, length, mass }: Scales): string {
  let said = unit === 'F' ? fahrenheit(text) : text;
  if (length === 'in') said = lengths(said);
  if (mass === 'lb') said = masses(said);
  return said;
}

/** A sentence of the program as this studio reads it. */
export const onScale = (text: string): string => saidOn(text, display);
