import { api, saveKey, savedOver, type Studio, type StudioBody } from '$lib/api/client';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import { openDraft, type Opened, type Remote } from '$lib/draft/remote';
import { outcomeOf, type Stored } from '$lib/draft/outcome';

// There is one studio; its number is of no matter.
const read = (studio: Studio): Stored<StudioBody> => ({
  id: 1,
  version: studio.version,
  body: studio.studio
});

const remote: Remote<StudioBody> = {
  key: () => 'studio',
  save: async (_, version, body, sending) =>
    outcomeOf(
      await api.PUT('/api/studio', {
        headers: { ...savedOver(version), ...saveKey(sending.key) },
        body,
        keepalive: sending.leaving
      }),
      read
    )
};

export const openStudio = () =>
  openDraft('studio', async () => {
    const { data, error } = await api.GET('/api/studio');
    if (!data) throw error;
    return read(data);
  });

/** The studio's settings, hours and prices being changed. */
export class StudioDraft extends AutosavedDraft<StudioBody> {
  constructor(opened: Opened<StudioBody>) {
    super(remote, {} as StudioBody, opened);
  }
}
