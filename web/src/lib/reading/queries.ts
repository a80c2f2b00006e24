import { api } from '$lib/api/client';

/** Why its faults came, for the reading as it is saved. */
export const causesOf = (id: number, version: number) => ({
  queryKey: ['causes', id, version],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings/{id}/diagnosis', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }
});
