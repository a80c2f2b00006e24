import type { Lot } from '$lib/api/client';

const shades = [
  '#c9764a',
  '#6f9a82',
  '#c7a24a',
  '#7f8fb5',
  '#b0605a',
  '#8a9a48',
  '#a27fae',
  '#5f9aa5'
] as const;

/** Each maker's own shade; a lot nobody has signed has one by itself. */
export function shadesOf(lots: readonly Lot[]): string[] {
  const known = new Map<string, string>();
  return lots.map((lot, i) => {
    const key = lot.whose?.trim() || `lot ${i}`;
    const shade = known.get(key) ?? shades[known.size % shades.length] ?? shades[0];
    known.set(key, shade);
    return shade;
  });
}
