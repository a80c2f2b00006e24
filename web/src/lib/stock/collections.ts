import {
  api,
  saveKey,
  savedOver,
  type Clay,
  type ClayBody,
  type Glaze,
  type GlazeBody,
  type Problem
} from '$lib/api/client';
import type { Remote } from '$lib/draft/remote';
import { outcomeOf, type Stored } from '$lib/draft/outcome';

/** What can be done with the clays or the glazes; a page asks it without knowing which they are. */
export interface Collection<T> {
  key: 'clays' | 'glazes';
  search: (words: string) => Promise<Stored<T>[]>;
  find: (id: number) => Promise<Stored<T>>;
  remote: Remote<T>;
  remove: (id: number, version: number) => Promise<Problem | null>;
}

const found = (words: string) => ({ params: { query: words ? { search: words } : {} } });
const at = (id: number) => ({ params: { path: { id } } });
const clay = (stored: Clay): Stored<ClayBody> => ({
  id: stored.id,
  version: stored.version,
  body: stored.clay
});
const glaze = (stored: Glaze): Stored<GlazeBody> => ({
  id: stored.id,
  version: stored.version,
  body: stored.glaze
});

export const clays: Collection<ClayBody> = {
  key: 'clays',
  search: async (words) => {
    const { data, error } = await api.GET('/api/clays', found(words));
    if (!data) throw error;
    return data.map(clay);
  },
  find: async (id) => {
    const { data, error } = await api.GET('/api/clays/{id}', at(id));
    if (!data) throw error;
    return clay(data);
  },
  remote: {
    key: (id) => `clay.${id ?? 'new'}`,
    save: async (id, version, body, { key, leaving }) =>
      outcomeOf(
        await api.PUT('/api/clays/{id}', {
          ...at(id),
          headers: { ...savedOver(version), ...saveKey(key) },
          body,
          keepalive: leaving
        }),
        clay
      ),
    create: async (body, { key }) =>
      outcomeOf(await api.POST('/api/clays', { headers: saveKey(key), body }), clay),
    restore: async (id) => {
      const { data } = await api.POST('/api/clays/{id}/restore', at(id));
      return data ? clay(data) : null;
    }
  },
  remove: async (id, version) =>
    ((await api.DELETE('/api/clays/{id}', { ...at(id), headers: savedOver(version) })).error as
      Problem | undefined) ?? null
};

export const glazes: Collection<GlazeBody> = {
  key: 'glazes',
  search: async (words) => {
    const { data, error } = await api.GET('/api/glazes', found(words));
    if (!data) throw error;
    return data.map(glaze);
  },
  find: async (id) => {
    const { data, error } = await api.GET('/api/glazes/{id}', at(id));
    if (!data) throw error;
    return glaze(data);
  },
  remote: {
    key: (id) => `glaze.${id ?? 'new'}`,
    save: async (id, version, body, { key, leaving }) =>
      outcomeOf(
        await api.PUT('/api/glazes/{id}', {
          ...at(id),
          headers: { ...savedOver(version), ...saveKey(key) },
          body,
          keepalive: leaving
        }),
        glaze
      ),
    create: async (body, { key }) =>
      outcomeOf(await api.POST('/api/glazes', { headers: saveKey(key), body }), glaze),
    restore: async (id) => {
      const { data } = await api.POST('/api/glazes/{id}/restore', at(id));
      return data ? glaze(data) : null;
    }
  },
  remove: async (id, version) =>
    ((await api.DELETE('/api/glazes/{id}', { ...at(id), headers: savedOver(version) })).error as
      Problem | undefined) ?? null
};
