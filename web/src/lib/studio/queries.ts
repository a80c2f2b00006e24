import { api } from '$lib/api/client';

/** The studio's hours, prices and settings. */
export const studioSettings = () => ({
  queryKey: ['studio'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/studio');
    if (!data) throw error;
    return data;
  }
});
