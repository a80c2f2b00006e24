import { api, saveKey, savedOver, type Firing, type FiringBody } from '$lib/api/client';
import { outcomeOf, type Stored } from '$lib/draft/outcome';
import { openDraft, type Remote } from '$lib/draft/remote';

const read = (firing: Firing): Stored<FiringBody> => ({
  id: firing.id,
  version: firing.version,
  body: firing.firing
});

export const remote: Remote<FiringBody> = {
  key: (id) => `firing.${id ?? 'new'}`,
  save: async (id, version, body, sending) =>
    outcomeOf(
      await api.PUT('/api/firings/{id}', {
        params: { path: { id } },
        headers: { ...savedOver(version), ...saveKey(sending.key) },
        body,
        keepalive: sending.leaving
      }),
      read
    ),
  restore: async (id) => {
    const { data } = await api.POST('/api/firings/{id}/restore', { params: { path: { id } } });
    return data ? read(data) : null;
  }
};

/** A firing with what was typed of it on this device. */
export const openFiring = (id: number) =>
  openDraft(remote.key(id), async () => {
    const { data, error } = await api.GET('/api/firings/{id}', { params: { path: { id } } });
    if (!data) throw error;
    return read(data);
  });
