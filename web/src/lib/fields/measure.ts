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

const plain = (n: number, digits: number) => String(Number(n.toFixed(digits)));

/** "6", "0.24": in the studio's unit, as fine as a ruler shows. */
export const sayLength = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? plain(mm, 1) : plain(mm / mmPerInch, 2);

/** "0.45", "1.2": in the studio's unit, as fine as a scale shows. */
export const sayMass = (kg: number, unit: MassUnit): string =>
  unit === 'kg' ? plain(kg, 3) : plain(kg / kgPerPound, 2);
