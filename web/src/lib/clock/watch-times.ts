import { api, sayProblem } from '$lib/api/client';
import { download, fileName } from '$lib/chart/save-svg';
import { toBody, type Draft } from '$lib/editor/draft';
import type { FiringPlace } from '$lib/editor/firing-place.svelte';
import { toasts } from '$lib/ui/toasts.svelte';

/** The moments of this firing that want a person, as a calendar file. */
export async function saveWatchTimes(
  draft: Draft,
  place: FiringPlace['asked'],
  start: string
): Promise<void> {
  const body = toBody(draft);
  const { data, error } = await api.POST('/api/starts/calendar', {
    body: { schedule: { ...body, name: body.name || 'Untitled' }, ...place, start },
    parseAs: 'text'
  });
  if (typeof data === 'string') download(`${fileName(draft.name)}-watch-times.ics`, 'text/calendar', data);
  else toasts.show(sayProblem(error), { tone: 'error' });
}
