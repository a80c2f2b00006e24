import { api } from '$lib/api/client';

export interface LibraryFilter {
  search: string;
  kind: string;
  tag: string;
}

/** The library as the server finds it. */
export const scheduleList = (filter: LibraryFilter) => ({
  queryKey: ['schedules', 'list', filter],
  // The old list stays until the new one is there; nothing flickers while somebody types.
  placeholderData: <T>(previous: T) => previous,
  queryFn: async () => {
    const query = Object.fromEntries(Object.entries(filter).filter(([, v]) => v));
    const { data, error } = await api.GET('/api/schedules', { params: { query } });
    if (!data) throw error;
    return data;
  }
});

export const tagList = () => ({
  queryKey: ['schedules', 'tags'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/schedules/tags');
    if (!data) throw error;
    return data;
  }
});
