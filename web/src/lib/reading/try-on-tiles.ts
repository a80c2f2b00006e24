import { api, sayProblem, type Lot } from '$lib/api/client';
import { toasts } from '$lib/ui/toasts.svelte';
import type { ReadingView } from './reading-draft.svelte';

/** A small firing in the smallest other kiln, with tiles of the same clay and glaze, and the changed schedule; its number. */
export async function tryOnTiles(
  view: ReadingView,
  version: { scheduleId: number; version: number },
  fault: string
): Promise<number | null> {
  const [kilns, fired] = await Promise.all([
    api.GET('/api/kilns', { params: { query: { take: 500 } } }),
    api.GET('/api/firings/{id}', { params: { path: { id: view.firingId } } })
  ]);
  const small = (kilns.data ?? [])
    .filter((k) => k.id !== view.kilnId)
    .sort((a, b) => (a.kiln.volume ?? 0) - (b.kiln.volume ?? 0))[0];
  const spoiled = (view.reading.results?.faults ?? []).find((f) => f?.kind === fault)?.lot ?? 0;
  const lot = fired.data?.firing.lots?.[spoiled] ?? fired.data?.firing.lots?.[0];
  const tile: Lot = {
    ...(lot ?? {}),
    what: 'test tiles',
    count: 6,
    wall: 6,
    width: null,
    whose: lot?.whose ?? null,
    pieceKg: 0.12,
    typed: null,
    piece: { shape: 'round', across: 60, height: 90 }
  } as Lot;
  const { data, error } = await api.POST('/api/firings', {
    body: {
      name: `Test tiles for ${view.schedule?.name ?? fired.data?.firing.name ?? 'the change'}`,
      kind: fired.data?.firing.kind ?? 'glaze',
      kilnId: small?.id ?? view.kilnId,
      goalCone: view.goalCone,
      unit: 'C',
      witnessPack: true,
      lots: [tile],
      scheduleId: version.scheduleId,
      scheduleVersion: version.version
    }
  });
  if (data) return data.id;
  toasts.show(sayProblem(error), { tone: 'error' });
  return null;
}
