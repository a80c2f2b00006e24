import { api, type ScheduleSummary } from '$lib/api/client';

export interface LibraryFilter {
  search: string;
  kind: string;
  tag: string;
}

/** A part of the library, and how many there are in all. */
export interface LibraryPart {
  schedules: ScheduleSummary[];
  total: number;
}

async function libraryPart(filter: LibraryFilter, skip: number, take: number): Promise<LibraryPart> {
  const words = Object.fromEntries(Object.entries(filter).filter(([, v]) => v));
  const { data, error, response } = await api.GET('/api/schedules', {
    params: { query: { ...words, skip, take } }
  });
  if (!data) throw error;
  return { schedules: data, total: Number(response.headers.get('X-Total-Count') ?? data.length) };
}

const everything: LibraryFilter = { search: '', kind: '', tag: '' };

/** The schedules changed last. */
export const latestSchedules = (count: number) => ({
  queryKey: ['schedules', 'latest', count],
  queryFn: async () => (await libraryPart(everything, 0, count)).schedules
});

/** Every schedule there is to choose from, by name; as many as one answer holds. */
export const allSchedules = () => ({
  queryKey: ['schedules', 'all'],
  queryFn: async () => (await libraryPart(everything, 0, 500)).schedules
});

const partSize = 60;

/** The library as the server finds it, part after part. */
export const library = (filter: LibraryFilter) => ({
  queryKey: ['schedules', 'list', filter],
  // The old list stays until the new one is there; nothing flickers while somebody types.
  placeholderData: <T>(previous: T) => previous,
  initialPageParam: 0,
  queryFn: ({ pageParam }: { pageParam: number }) => libraryPart(filter, pageParam, partSize),
  getNextPageParam: (last: LibraryPart, parts: LibraryPart[]) => {
    const shown = parts.reduce((sum, part) => sum + part.schedules.length, 0);
    return last.schedules.length > 0 && shown < last.total ? shown : undefined;
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
