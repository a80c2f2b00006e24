/** How lists and pairs of a profile are written in one field. */

/** "1, 2, 3" as a list; nothing where nothing is written. */
export function listOf(text: string): string[] | null {
  const parts = text
    .split(',')
    .map((p) => p.trim())
    .filter((p) => p !== '');
  return parts.length ? parts : null;
}

export const listText = (list: readonly (string | null)[] | null | undefined) => (list ?? []).join(', ');

/** "full 888, end 0" as pairs; a word without a value is no pair. */
export function pairsOf(text: string): Record<string, string> | null {
  const pairs = (listOf(text) ?? []).flatMap((part) => {
    const [meaning, ...shown] = part.split(/\s*[=:]\s*|\s+/);
    return meaning && shown.length ? [[meaning, shown.join(' ')] as const] : [];
  });
  return pairs.length ? Object.fromEntries(pairs) : null;
}

export const pairsText = (pairs: Record<string, unknown> | null | undefined) =>
  Object.entries(pairs ?? {})
    .map(([meaning, shown]) => `${meaning} ${String(shown)}`)
    .join(', ');

/** A bound: a number, or the name of a cone as it is written. */
export function boundOf(text: string, isCone: boolean): number | string | null {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  if (plain === '') return null;
  const value = Number(plain);
  return isCone || Number.isNaN(value) ? plain : value;
}

export const numberOf = (text: string) => {
  const value = boundOf(text, false);
  return typeof value === 'number' ? value : null;
};
