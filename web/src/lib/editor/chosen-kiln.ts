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
