import type { Draft } from './draft';

/** What was written but not yet saved, kept on this device so that a closed tab or a lost network loses nothing. */
export interface Kept {
  /** The version it was written on; 0 for one that was never saved. */
  version: number;
  draft: Draft;
}

const keyOf = (id: number | null) => `ember.draft.${id ?? 'new'}`;

export function keep(id: number | null, kept: Kept): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(kept));
  } catch {
    // A full or forbidden store costs only this safety net.
  }
}

export function forget(id: number | null): void {
  localStorage.removeItem(keyOf(id));
}

export function recall(id: number | null): Kept | null {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Kept | null;
    return kept && Array.isArray(kept.draft?.steps) ? kept : null;
  } catch {
    return null;
  }
}

/** The kiln a schedule was last planned for on this device. */
export interface KeptKiln {
  kilnId: number | null;
  fill: number;
}

const kilnKey = (id: number | null) => `ember.kiln.${id ?? 'new'}`;

export function keepKiln(id: number | null, kiln: KeptKiln): void {
  try {
    localStorage.setItem(kilnKey(id), JSON.stringify(kiln));
  } catch {
    // A full or forbidden store only means that the choice has to be made again.
  }
}

/** Nothing when none was ever chosen here. */
export function recallKiln(id: number | null): KeptKiln | null {
  try {
    const kept = JSON.parse(localStorage.getItem(kilnKey(id)) ?? 'null') as Partial<KeptKiln> | null;
    return kept ? { kilnId: kept.kilnId ?? null, fill: kept.fill ?? 1 } : null;
  } catch {
    return null;
  }
}
