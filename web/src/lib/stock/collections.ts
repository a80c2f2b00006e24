import { api, saveKey, savedOver, type ClayBody, type GlazeBody, type Problem } from '$lib/api/client';
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

const at = (id: number) => ({ params: { path: { id } } });

/** Both are asked for in the same way; only the address and the name of the body differ, which the types of one of them stand for. */
function collection<T extends ClayBody | GlazeBody>(
  key: Collection<T>['key'],
  one: 'clay' | 'glaze'
): Collection<T> {
  const all = `/api/${key}` as '/api/clays';
  const each = `${all}/{id}` as '/api/clays/{id}';
  const read = (stored: { id: number; version: number }): Stored<T> => ({
    id: stored.id,
    version: stored.version,
    body: (stored as unknown as Record<typeof one, T>)[one]
  });
  return {
    key,
    search: async (words) => {
      const { data, error } = await api.GET(all, {
        params: { query: { take: 500, ...(words ? { search: words } : {}) } }
      });
      if (!data) throw error;
      return data.map(read);
    },
    find: async (id) => {
      const { data, error } = await api.GET(each, at(id));
      if (!data) throw error;
      return read(data);
    },
    remote: {
      key: (id) => `${one}.${id ?? 'new'}`,
      save: async (id, version, body, sending) =>
        outcomeOf(
          await api.PUT(each, {
            ...at(id),
            headers: { ...savedOver(version), ...saveKey(sending.key) },
            body: body as ClayBody,
            keepalive: sending.leaving
          }),
          read
        ),
      create: async (body, sending) =>
        outcomeOf(await api.POST(all, { headers: saveKey(sending.key), body: body as ClayBody }), read),
      restore: async (id) => {
        const { data } = await api.POST(`${each}/restore` as '/api/clays/{id}/restore', at(id));
        return data ? read(data) : null;
      }
    },
    remove: async (id, version) => {
      const { error } = await api.DELETE(each, { ...at(id), headers: savedOver(version) });
      return (error as Problem | undefined) ?? null;
    }
  };
}

export const clays = collection<ClayBody>('clays', 'clay');
export const glazes = collection<GlazeBody>('glazes', 'glaze');
