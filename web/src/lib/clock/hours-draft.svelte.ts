import { api, type Problem, type Studio, type StudioBody } from '$lib/api/client';
import { KeptDraft, type Saved } from '$lib/ui/kept-draft.svelte';

/** The studio's hours and prices being changed. */
export class HoursDraft extends KeptDraft<StudioBody> {
  constructor(stored: Studio) {
    super(stored.studio);
    this.keptAs(stored.version, stored.studio);
  }

  protected async send(body: StudioBody, version: number): Promise<Saved<StudioBody>> {
    const { data, error, response } = await api.PUT('/api/studio', {
      headers: { 'If-Match': `"${version}"` },
      body
    });
    if (data) return { version: data.version, body: data.studio };
    const problem = error as Problem;
    if (response.status !== 412 || !problem.current) return { problem };
    const theirs = problem.current as Studio;
    return { theirs: { version: theirs.version, body: theirs.studio } };
  }
}
