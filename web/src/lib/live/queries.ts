import { api } from '$lib/api/client';

const ask = async <T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>
): Promise<T | null> => {
  const { data, error, response } = await call;
  if (data) return data;
  if (response.status === 204 || response.status === 404) return null;
  throw error;
};

/** How a firing was started; nothing before it is. */
export const runOf = (id: number) => ({
  queryKey: ['run', id],
  queryFn: () => ask(api.GET('/api/firings/{id}/run', { params: { path: { id } } }))
});

export const liveOf = (id: number) => ({
  queryKey: ['live', id],
  queryFn: () => ask(api.GET('/api/firings/{id}/live', { params: { path: { id } } }))
});

export const logOf = (id: number, points: number, window: { from: number; to: number } | null) => ({
  queryKey: ['log', id, points, window],
  placeholderData: <T>(before: T) => before,
  queryFn: () =>
    ask(
      api.GET('/api/firings/{id}/log', {
        params: { path: { id }, query: { points, ...(window && { from: window.from, to: window.to }) } }
      })
    )
});

/** What was told of a firing as it went on. */
export const replayOf = (id: number) => ({
  queryKey: ['replay', id],
  staleTime: Infinity,
  queryFn: async () =>
    (await ask(api.GET('/api/firings/{id}/replay', { params: { path: { id }, query: { reports: 120 } } }))) ??
    []
});

/** How the switches of a firing are turned; nothing where a controller does it. */
export const switchesOf = (id: number) => ({
  queryKey: ['switches', id],
  placeholderData: <T>(before: T) => before,
  queryFn: () => ask(api.GET('/api/firings/{id}/switches', { params: { path: { id } } }))
});

export const entriesOf = (id: number) => ({
  queryKey: ['entries', id],
  queryFn: async () => (await ask(api.GET('/api/firings/{id}/entries', { params: { path: { id } } }))) ?? []
});

export const room = () => ({
  queryKey: ['room'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/room');
    if (!data) throw error;
    return data;
  }
});

export const checkLists = () => ({
  queryKey: ['check-lists'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/studio/check-lists');
    if (!data) throw error;
    return data;
  }
});

/** Where a firing stands; nothing before it is started. */
export const startedRun = (id: number) => ({
  queryKey: ['runs', id],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings/runs', {
      params: { query: { firings: String(id) } }
    });
    if (!data) throw error;
    return data[0] ?? null;
  }
});

/** The turns of a gas firing: the plan, what is due, where it is by what was seen. */
export const turnsOf = (firingId: number) => ({
  queryKey: ['firing-turns', firingId],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings/{id}/turns', { params: { path: { id: firingId } } });
    if (!data) throw error;
    return data;
  }
});
