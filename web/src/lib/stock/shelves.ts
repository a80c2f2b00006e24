import { api, type ClayBody, type GlazeBody, type Problem } from '$lib/api/client';

/** One thing on a shelf, whatever shelf it is. */
export interface StockItem<T> {
  id: number;
  version: number;
  body: T;
}

export type Answer<T> = { item: StockItem<T> } | { problem: Problem };

/** What can be done with a shelf; a page asks it without knowing which one it is. */
export interface Shelf<T> {
  key: string;
  search: (words: string) => Promise<StockItem<T>[]>;
  keep: (item: StockItem<T> | null, body: T) => Promise<Answer<T>>;
  remove: (id: number) => Promise<Problem | null>;
  restore: (id: number) => Promise<void>;
}

const found = (words: string) => ({ params: { query: words ? { search: words } : {} } });
const at = (id: number) => ({ params: { path: { id } } });
const over = (item: StockItem<unknown>) => ({ 'If-Match': `"${item.version}"` });

export const clays: Shelf<ClayBody> = {
  key: 'clays',
  search: async (words) => {
    const { data, error } = await api.GET('/api/clays', found(words));
    if (!data) throw error;
    return data.map(({ id, version, clay }) => ({ id, version, body: clay }));
  },
  keep: async (item, body) => {
    const { data, error } = item
      ? await api.PUT('/api/clays/{id}', { ...at(item.id), headers: over(item), body })
      : await api.POST('/api/clays', { body });
    return data
      ? { item: { id: data.id, version: data.version, body: data.clay } }
      : { problem: error as Problem };
  },
  remove: async (id) => ((await api.DELETE('/api/clays/{id}', at(id))).error as Problem | undefined) ?? null,
  restore: async (id) => void (await api.POST('/api/clays/{id}/restore', at(id)))
};

export const glazes: Shelf<GlazeBody> = {
  key: 'glazes',
  search: async (words) => {
    const { data, error } = await api.GET('/api/glazes', found(words));
    if (!data) throw error;
    return data.map(({ id, version, glaze }) => ({ id, version, body: glaze }));
  },
  keep: async (item, body) => {
    const { data, error } = item
      ? await api.PUT('/api/glazes/{id}', { ...at(item.id), headers: over(item), body })
      : await api.POST('/api/glazes', { body });
    return data
      ? { item: { id: data.id, version: data.version, body: data.glaze } }
      : { problem: error as Problem };
  },
  remove: async (id) => ((await api.DELETE('/api/glazes/{id}', at(id))).error as Problem | undefined) ?? null,
  restore: async (id) => void (await api.POST('/api/glazes/{id}/restore', at(id)))
};
