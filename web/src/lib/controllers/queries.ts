import { api } from '$lib/api/client';

/** The controllers of the studio, its own and those that came with the program. */
export const controllerList = () => ({
  queryKey: ['controllers'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/controllers');
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
