import { api, saveKey, savedOver, sayProblem } from '$lib/api/client';
import type { components } from '$lib/api/schema';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import { outcomeOf, type Stored } from '$lib/draft/outcome';
import { openDraft, type Opened, type Remote } from '$lib/draft/remote';

type Schemas = components['schemas'];
export type ReadingView = Schemas['ReadingView'];
export type Cause = Schemas['FiringCause'];
export type Patch = Schemas['FiringPatch'];
export type Fault = Schemas['WareFaultContract'];
export type ShelfHeat = Schemas['ShelfHeatContract'];
export type Shelf = string | number;

export interface ConeRead {
  cone: string;
  bendDegrees: number;
}
export interface Pack {
  shelf: Shelf;
  cones: ConeRead[];
}
export interface Results {
  out: number | null;
  lost: number | null;
  faults: Fault[];
  word: string | null;
  reference: boolean;
}
export interface Reading {
  packs: Pack[];
  results: Results;
}

/** As the server tells it, without what only it works out. */
export const readingOf = (view: ReadingView): Reading => ({
  packs: (view.reading.packs ?? []).flatMap((p) =>
    p
      ? [
          {
            shelf: p.shelf as Shelf,
            cones: (p.cones ?? []).flatMap((c) =>
              c?.cone ? [{ cone: c.cone, bendDegrees: c.bendDegrees ?? 0 }] : []
            )
          }
        ]
      : []
  ),
  results: {
    out: view.reading.results?.out ?? null,
    lost: view.reading.results?.lost ?? null,
    faults: (view.reading.results?.faults ?? []).filter((f) => f !== null),
    word: view.reading.results?.word ?? null,
    reference: view.reading.results?.reference === true
  }
});

const key = (id: number | null) => `reading.${id ?? 'new'}`;

/** A reading while it is made: packs and results, saved a moment after every change; what they say comes back with each save. */
export class ReadingDraft extends AutosavedDraft<Reading> {
  private told: ReadingView | null = $state.raw(null);
  private readonly first: ReadingView;

  constructor(view: ReadingView, opened: Opened<Reading>) {
    let tell: (told: ReadingView) => void = () => undefined;
    const read = (told: ReadingView): Stored<Reading> => {
      tell(told);
      return { id: told.firingId, version: told.version, body: readingOf(told) };
    };
    const remote: Remote<Reading> = {
      key,
      save: async (id, version, body, sending) =>
        outcomeOf(
          await api.PUT('/api/firings/{id}/reading', {
            params: { path: { id } },
            headers: { ...savedOver(version), ...saveKey(sending.key) },
            body: body as Schemas['ReadingContract'],
            keepalive: sending.leaving
          }),
          read
        )
    };
    super(remote, readingOf(view), opened);
    this.first = view;
    tell = (told) => (this.told = told);
  }

  /** What the reading says, as of its last save. */
  get view(): ReadingView {
    return this.told ?? this.first;
  }

  get packs(): readonly Pack[] {
    return this.body.packs;
  }

  get results(): Results {
    return this.body.results;
  }

  packOf(shelf: Shelf): Pack | undefined {
    return this.packs.find((p) => String(p.shelf) === String(shelf));
  }

  addPack(shelf: Shelf, cones: readonly ConeRead[]): void {
    this.edit({ packs: [...this.packs, { shelf, cones: [...cones] }] }, `bend ${shelf}`);
  }

  removePack(shelf: Shelf): void {
    this.edit({ packs: this.packs.filter((p) => String(p.shelf) !== String(shelf)) });
  }

  bend(shelf: Shelf, cone: string, bendDegrees: number): void {
    this.edit(
      {
        packs: this.packs.map((p) =>
          String(p.shelf) === String(shelf)
            ? { ...p, cones: p.cones.map((c) => (c.cone === cone ? { ...c, bendDegrees } : c)) }
            : p
        )
      },
      `bend ${shelf}`
    );
  }

  say(change: Partial<Results>, group: string | null = null): void {
    this.edit({ results: { ...this.results, ...change } }, group);
  }

  changeFault(index: number, change: Partial<Fault>): void {
    this.say(
      { faults: this.results.faults.map((f, i) => (i === index ? { ...f, ...change } : f)) },
      `fault ${index}`
    );
  }
}

/** The reading of a firing with what was typed of it on this device; nothing before it is started. */
export async function openReading(id: number): Promise<ReadingDraft | null> {
  let view: ReadingView | null = null;
  const opened = await openDraft<Reading>(key(id), async () => {
    const { data, error, response } = await api.GET('/api/firings/{id}/reading', {
      params: { path: { id } }
    });
    if (response.status === 404) return null;
    if (!data) throw new Error(sayProblem(error));
    view = data;
    return { id, version: data.version, body: readingOf(data) };
  });
  return view ? new ReadingDraft(view, opened) : null;
}
