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
  staleTime: Infinity,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/plan/schools');
    if (!data) throw error;
    return data;
  }
});
