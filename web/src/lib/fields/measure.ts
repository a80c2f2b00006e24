import type { Reading } from './parse';

export type LengthUnit = 'mm' | 'in';
export type MassUnit = 'kg' | 'lb';

/** Exact by definition (international yard and pound, 1959). */
const mmPerInch = 25.4;
const kgPerPound = 0.45359237;

const wholeAndPart = String.raw`(\d+(?:\.\d+)?|\.\d+)?(?:(?:^|\s+|-)(\d+)\s*/\s*(\d+))?`;

/** "3/8", "1 3/8", "0.5", "12"; nothing when it is none of these. */
function readAmount(text: string): number | null {
  const read = new RegExp(`^${wholeAndPart}$`).exec(text.trim());
  if (!read || (read[1] === undefined && read[2] === undefined)) return null;
  const part = read[2] === undefined ? 0 : Number(read[2]) / Number(read[3]);
  return Number.isFinite(part) ? Number(read[1] ?? 0) + part : null;
}

/** Millimetres from "6", "6 mm", "0.6 cm", "3/8 in", '1/4"'; a bare number is in the studio's unit. Empty is nothing. */
export function readLength(text: string, unit: LengthUnit): Reading<number | null> {
  const t = text.trim().toLowerCase();
  if (t === '') return { value: null };
  const [, amount = '', said = unit] = /^(.*?)\s*(mm|cm|in|inch|inches|")?$/.exec(t) ?? [];
  const read = readAmount(amount);
  const factor = said === 'mm' ? 1 : said === 'cm' ? 10 : mmPerInch;
  return read === null ? { error: 'A length is written 6 mm or 3/8 in.' } : { value: read * factor };
}

/** Kilograms from "1.2", "500 g", "1 lb 4 oz", "20 oz"; a bare number is in the studio's unit. Empty is nothing. */
export function readMass(text: string, unit: MassUnit): Reading<number | null> {
  const t = text.trim().toLowerCase();
  if (t === '') return { value: null };
  const error = { error: 'A weight is written 0.6 kg, 600 g or 1 lb 4 oz.' };
  const pounds = /^(?:(.+?)\s*lbs?)?\s*(?:(.+?)\s*oz)?$/.exec(t);
  if (pounds && (pounds[1] ?? pounds[2])) {
    const [lb, oz] = [readAmount(pounds[1] ?? '0'), readAmount(pounds[2] ?? '0')];
    return lb === null || oz === null ? error : { value: (lb + oz / 16) * kgPerPound };
  }
  const [, amount = '', said = unit] = /^(.*?)\s*(kg|g)?$/.exec(t) ?? [];
  const read = readAmount(amount);
  const factor = said === 'kg' ? 1 : said === 'g' ? 0.001 : kgPerPound;
  return read === null ? error : { value: read * factor };
}

/** What else a number of a unit may be typed in, to the unit itself; all exact by definition. */
const kin: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  W: { w: 1, watt: 1, watts: 1, kw: 1000 },
  kW: { kw: 1, w: 0.001, mw: 1000 },
  V: { v: 1, volt: 1, volts: 1 },
  L: {
    l: 1,
    litre: 1,
    litres: 1,
    liter: 1,
    liters: 1,
    'm³': 1000,
    m3: 1000,
    'cu ft': 28.316846592,
    'ft³': 28.316846592,
    ft3: 28.316846592
  },
  mm: { mm: 1, cm: 10, in: mmPerInch, inch: mmPerInch, inches: mmPerInch, '"': mmPerInch },
  m: { m: 1, ft: 0.3048, feet: 0.3048 },
  'cm²': { 'cm²': 1, cm2: 1, 'mm²': 0.01, mm2: 0.01, 'in²': 6.4516, in2: 6.4516, 'sq in': 6.4516 },
  bar: { bar: 1, mbar: 0.001, kpa: 0.01, psi: 0.0689475729 },
  kg: { kg: 1, g: 0.001, lb: kgPerPound, lbs: kgPerPound },
  min: { min: 1, minutes: 1, h: 60, hours: 60 },
  '%': { '%': 1 }
};

/** A number in a unit, or typed with one that can be turned into it: 9.6 kW where W are wanted, 175 l, 2300 °F. */
export function readQuantity(text: string, unit: string): Reading<number> {
  const t = text.trim().toLowerCase().replace(/−/g, '-');
  const [, amount = '', said = ''] = /^(-?[\d.,]+(?:[ -]\d+\/\d+)?|\d+\/\d+)\s*(.*)$/.exec(t) ?? [];
  const sign = amount.startsWith('-') ? -1 : 1;
  const read = readAmount(amount.replace(/^-/, '').replace(',', '.'));
  const wanted = unit === '' ? 'A number is expected here.' : `A number is expected here, in ${unit}.`;
  if (read === null) return { error: wanted };
  const value = sign * read;
  if (said === '' || said === unit.toLowerCase()) return { value };
  const degrees = /^(?:°|deg(?:rees)?)?\s*([cf])$/.exec(said);
  if (degrees && /^°[CF]$/.test(unit)) {
    const [from, to] = [degrees[1] === 'f', unit === '°F'];
    return {
      value: from === to ? value : Math.round((to ? value * 1.8 + 32 : (value - 32) / 1.8) * 10) / 10
    };
  }
  const factor = kin[unit]?.[said];
  return factor === undefined ? { error: wanted } : { value: Number((value * factor).toPrecision(6)) };
}

const plain = (n: number, digits: number) => String(Number(n.toFixed(digits)));

/** "6", "0.24": in the studio's unit, as fine as a ruler shows. */
export const sayLength = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? plain(mm, 1) : plain(mm / mmPerInch, 2);

/** "225", "34.9": cm² as they are, or in square inches where lengths are in inches. */
export const sayArea = (cm2: number, unit: LengthUnit): string =>
  plain(unit === 'mm' ? cm2 : (cm2 * 100) / mmPerInch ** 2, 1);

/** "0.45", "1.2": in the studio's unit, as fine as a scale shows. */
export const sayMass = (kg: number, unit: MassUnit): string =>
  unit === 'kg' ? plain(kg, 3) : plain(kg / kgPerPound, 2);
