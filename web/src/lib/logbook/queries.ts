import { api } from '$lib/api/client';
import type { components, paths } from '$lib/api/schema';

type Schemas = components['schemas'];
export type LogbookFiring = Schemas['LogbookFiring'];
export type Compared = Schemas['CompareResponse'];
export type Alignment = Schemas['Alignment'];
export type LogbookQuery = NonNullable<paths['/api/logbook']['get']['parameters']['query']>;

/** What is asked of the logbook, as it stands in the address of the page; what is empty narrows nothing. */
export const narrowings = [
  'search',
  'kiln',
  'glaze',
  'clay',
  'who',
  'fault',
  'cone',
  'kind',
  'schedule',
  'since',
  'reference',
  'good'
] as const;
export type Narrowing = (typeof narrowings)[number];

export const askedIn = (params: URLSearchParams): LogbookQuery =>
  Object.fromEntries(
    narrowings.flatMap((name) => {
      const value = params.get(name);
      return value ? [[name, name === 'since' ? new Date(value).toISOString() : value]] : [];
    })
  ) as LogbookQuery;

export const logbook = (query: LogbookQuery, take = 60) => ({
  queryKey: ['logbook', query, take],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/logbook', { params: { query: { ...query, take } } });
    if (!data) throw error;
    return data;
  }
});

export const trends = (query: LogbookQuery) => ({
  queryKey: ['logbook', 'trends', query],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.GET('/api/logbook/trends', { params: { query } });
    if (!data) throw error;
    return data;
  }
});

export const compared = (firings: readonly number[], align: Alignment, celsius: number | null) => ({
  queryKey: ['logbook', 'compare', firings, align, celsius],
  placeholderData: <T>(before: T) => before,
  queryFn: async () => {
    const { data, error } = await api.POST('/api/compare', {
      body: { firings: [...firings], align, celsius }
    });
    if (!data) throw error;
    return data;
  }
});

/** "28 out, 2 lost", "22 out, all good". */
export function came(firing: Pick<LogbookFiring, 'out' | 'lost' | 'faults' | 'good'>): string {
  if (firing.out === null) return firing.faults.length > 0 ? '' : 'not counted yet';
  if (firing.good) return `${firing.out} out, all good`;
  return `${firing.out} out${firing.lost ? `, ${firing.lost} lost` : ''}`;
}
