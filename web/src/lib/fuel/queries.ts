import { api, type Schedule } from '$lib/api/client';

/** What was really turned the last time in a gas kiln: with the same schedule, else in a firing of the same kind. */
export const lastTurnsOf = (kilnId: number, schedule: number | null, kind: Schedule['kind']) => ({
  queryKey: ['last-turns', kilnId, schedule, kind],
  queryFn: async () => {
    const { data, error, response } = await api.GET('/api/kilns/{id}/last-turns', {
      params: { path: { id: kilnId }, query: { ...(schedule !== null && { schedule }), kind } }
    });
    if (!data && response.status !== 204) throw error;
    return data ?? null;
  }
});

/** What a gas kiln's firings have taught. */
export const fuelLearnedOf = (kilnId: number) => ({
  queryKey: ['fuel-learned', kilnId],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/{id}/fuel-learned', {
      params: { path: { id: kilnId } }
    });
    if (!data) throw error;
    return data;
  }
});
