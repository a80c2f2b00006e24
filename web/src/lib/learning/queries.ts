import { api } from '$lib/api/client';
import type { components } from '$lib/api/schema';

export type Learned = components['schemas']['LearnedContract'];
export type Care = Learned['care'];
export type KilnHistory = components['schemas']['KilnHistoryContract'];
export type MaintenanceKind = components['schemas']['MaintenanceKind'];

export const learnedOf = (id: number) => ({
  queryKey: ['learned', id],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/{id}/learned', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }
});

export const historyOf = (id: number) => ({
  queryKey: ['kiln-history', id],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/{id}/history', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }
});

export const maintenanceNames: Record<MaintenanceKind, string> = {
  elements: 'New elements',
  thermocouple: 'New thermocouple',
  shelves: 'Shelves washed',
  vent: 'Vent looked at',
  burners: 'Burners and hoses looked at',
  other: 'Something else'
};

/** Keeps what somebody says of a kiln's care; what is wrong with it, or nothing. */
export const saveCare = async (id: number, body: Care) =>
  (await api.PUT('/api/kilns/{id}/care', { params: { path: { id } }, body })).error;
