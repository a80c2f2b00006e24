import { api, type LoadBody, type ScheduleBody } from '$lib/api/client';

/** The controllers of the studio, its own and those that came with the program. */
export const controllerList = () => ({
  queryKey: ['controllers'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/controllers', { params: { query: { take: 500 } } });
    if (!data) throw error;
    return data;
  }
});

/** What is in which program of a kiln; with a schedule, where it belongs. */
export const bankOf = (kilnId: number) => ({
  queryKey: ['bank', kilnId],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/{id}/bank', { params: { path: { id: kilnId } } });
    if (!data) throw error;
    return data;
  }
});

/** A schedule fired in a kiln; the one before stays on the screen until the next has come. */
export const firedAt = (kilnId: number | null, schedule: ScheduleBody, load?: LoadBody | null) => ({
  queryKey: ['fired-at', kilnId, JSON.stringify(schedule), JSON.stringify(load ?? null)],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.POST('/api/preview', {
      body: { schedule, kilnId, load: load ?? null }
    });
    if (!data) throw error;
    return data;
  }
});
