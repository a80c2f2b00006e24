import { api } from '$lib/api/client';
import type { components } from '$lib/api/schema';

export type Member = components['schemas']['MemberContract'];
export type Device = components['schemas']['DeviceContract'];
export type Pairing = components['schemas']['PairingContract'];
export type Change = components['schemas']['AuditContract'];

/** Everybody with an account. */
export const peopleList = () => ({
  queryKey: ['people'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/people');
    if (!data) throw error;
    return data;
  }
});

/** The phones, tablets and screens of the studio. */
export const deviceList = () => ({
  queryKey: ['devices'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/devices');
    if (!data) throw error;
    return data;
  }
});

/** How the program is reached. */
export const networkState = () => ({
  queryKey: ['network'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/network');
    if (!data) throw error;
    return data;
  }
});

/** Names typed before there were accounts that are nobody's yet. */
export const oldNames = () => ({
  queryKey: ['old-names'],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/people/old-names');
    if (!data) throw error;
    return data;
  }
});
