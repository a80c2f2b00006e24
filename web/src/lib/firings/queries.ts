import { api, type Firing, type RunSummary } from '$lib/api/client';

/** Not started, in its kiln, opened. */
export type FiringStage = 'planned' | 'under-way' | 'fired';

/** A firing of a list, and where it stands once it was started. */
export type ListedFiring = Firing & { run: RunSummary | undefined };

/** A part of the firings at a stage, and how many there are in all. */
export interface FiringPart {
  firings: ListedFiring[];
  total: number;
}

async function firingPart(stage: FiringStage, search: string, skip: number): Promise<FiringPart> {
  const { data, error, response } = await api.GET('/api/firings', {
    params: { query: { stage, skip, ...(search ? { search } : {}) } }
  });
  if (!data) throw error;
  const total = Number(response.headers.get('X-Total-Count') ?? data.length);
  if (stage === 'planned' || data.length === 0)
    return { firings: data.map((firing) => ({ ...firing, run: undefined })), total };
  const runs = await api.GET('/api/firings/runs', {
    params: { query: { firings: data.map((firing) => firing.id).join() } }
  });
  if (!runs.data) throw runs.error;
  const of = new Map(runs.data.map((run) => [run.firingId, run]));
  return { firings: data.map((firing) => ({ ...firing, run: of.get(firing.id) })), total };
}

/** The latest firings at a stage. */
export const latestFirings = (stage: FiringStage) => ({
  queryKey: ['firings', stage, 'latest'],
  queryFn: async () => (await firingPart(stage, '', 0)).firings
});

/** Firings at a stage, part after part. */
export const firingsAt = (stage: FiringStage, search: string) => ({
  queryKey: ['firings', stage, 'all', search],
  placeholderData: <T>(before: T) => before,
  initialPageParam: 0,
  queryFn: ({ pageParam }: { pageParam: number }) => firingPart(stage, search, pageParam),
  getNextPageParam: (last: FiringPart, parts: FiringPart[]) => {
    const shown = parts.reduce((sum, part) => sum + part.firings.length, 0);
    return last.firings.length > 0 && shown < last.total ? shown : undefined;
  }
});

export const schools = () => ({
  queryKey: ['schools'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/plan/schools');
    if (!data) throw error;
    return data;
  }
});

/** The studio's own default in everything people differ on, with the version it is saved over. */
export const studioWays = () => ({
  queryKey: ['studio-ways'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/studio/ways');
    if (!data) throw error;
    return data;
  }
});

/** A firing as it is planned, as it was set and as it is watched. */
export const summaryOf = (firingId: number, mark: string) => ({
  queryKey: ['summary', firingId, mark],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings/{id}/summary', {
      params: { path: { id: firingId } }
    });
    if (!data) throw error;
    return data;
  }
});
