import { api } from '$lib/api/client';

export const firingList = (search: string) => ({
  queryKey: ['firings', search],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings', { params: { query: search ? { search } : {} } });
    if (!data) throw error;
    return data;
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
