import type { Lot } from '$lib/api/client';
import type { Kind } from '$lib/format';

export type Measure = 'wall' | 'width' | 'pieceKg';

/** The number goes to the planner; what was typed stays beside it where it says more, like 3/8 in. */
export function measured(lot: Lot, field: Measure, value: number | null, typed: string | null): Partial<Lot> {
  const others = Object.entries(lot.typed ?? {}).filter(([name]) => name !== field);
  const kept = Object.fromEntries(typed === null ? others : [...others, [field, typed]]);
  return { [field]: value, typed: Object.keys(kept).length ? kept : null };
}

/** A row nobody has written in; it is not part of the load. */
export const isBlank = (lot: Lot) => !lot.what && lot.count == null && lot.wall == null;

/** How wet a lot goes in, in the words of what it is. */
export const wetnessOf = (kind: Kind) =>
  kind === 'glaze'
    ? ([
        ['bone-dry', 'glaze is dry'],
        ['damp', 'freshly glazed, still wet']
      ] as const)
    : kind === 'refiring'
      ? ([
          ['bone-dry', 'dry'],
          ['cool-to-touch', 'washed or used']
        ] as const)
      : ([
          ['bone-dry', 'bone dry'],
          ['cool-to-touch', 'cool to touch'],
          ['damp', 'damp'],
          ['leather-hard', 'leather hard']
        ] as const);

/** The first field of the size of a lot's row. */
export const sizeField = (row: number): string =>
  `[data-row="${row}"] input:is([aria-label^="across,"], [aria-label^="wide,"])`;
