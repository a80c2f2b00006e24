/** One place where two versions of a thing say something else. */
export interface Difference {
  place: string;
  mine: string;
  theirs: string;
}

const said = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? '–'
    : Array.isArray(value)
      ? value.map(said).join(', ')
      : String(value);

/** "kilnId" to "kiln", "segments.2.rate" to "segments 3, rate". */
const readable = (path: string[]) =>
  path
    .map((part) =>
      /^\d+$/.test(part)
        ? `${Number(part) + 1}`
        : part
            .replace(/Ids?$/, '')
            .replace(/([A-Z])/g, ' $1')
            .toLowerCase()
    )
    .reduce(
      (text, part) => (text === '' ? part : /^\d+$/.test(part) ? `${text} ${part}` : `${text}, ${part}`),
      ''
    );

const isPlain = (value: unknown) =>
  value === null ||
  typeof value !== 'object' ||
  (Array.isArray(value) && value.every((v) => typeof v !== 'object'));

/** Everything two versions differ in, as far down as there are words for it. */
export function differences(mine: unknown, theirs: unknown, path: string[] = []): Difference[] {
  if (JSON.stringify(mine ?? null) === JSON.stringify(theirs ?? null)) return [];
  if (isPlain(mine ?? null) || isPlain(theirs ?? null)) {
    const whole = (value: unknown) => (isPlain(value ?? null) ? said(value) : 'something');
    return [{ place: readable(path), mine: whole(mine), theirs: whole(theirs) }];
  }
  const [a, b] = [mine as Record<string, unknown>, theirs as Record<string, unknown>];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
    differences(a[key], b[key], [...path, key])
  );
}
