import { api } from '$lib/api/client';

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
