import { api } from '$lib/api/client';

/** The kilns of the studio. */
export const kilnList = () => ({
  queryKey: ['kilns'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns', { params: { query: { take: 500 } } });
    if (!data) throw error;
    return data;
  }
});

export const kilnNumbers = () => ({
  queryKey: ['kiln-numbers'],
  staleTime: Infinity,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/numbers');
    if (!data) throw error;
    return data;
  }
});

export const kilnClasses = () => ({
  queryKey: ['kiln-classes'],
  staleTime: Infinity,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/classes');
    if (!data) throw error;
    return data;
  }
});
