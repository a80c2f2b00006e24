import { api, sayProblem } from '$lib/api/client';
import { download, fileName } from '$lib/chart/save-svg';
import type { Desk } from '$lib/desk/desk.svelte';
import { toBody } from '$lib/desk/draft';
import { toasts } from '$lib/ui/toasts.svelte';

/** The moments of this firing that want a person, as a calendar file. */
export async function saveWatchTimes(desk: Desk, start: string): Promise<void> {
  const body = toBody(desk.draft);
  const { data, error } = await api.POST('/api/starts/calendar', {
    body: { schedule: { ...body, name: body.name || 'Untitled' }, ...desk.firedIn(), start },
    parseAs: 'text'
  });
  if (typeof data === 'string')
    download(`${fileName(desk.draft.name)}-watch-times.ics`, 'text/calendar', data);
  else toasts.show(sayProblem(error), { tone: 'error' });
}
