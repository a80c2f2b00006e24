import { api, sayProblem } from '$lib/api/client';
import { download, fileName } from '$lib/chart/save-svg';
import { toasts } from '$lib/ui/toasts.svelte';
import type { StartTask } from './start-task';

/** The moments of this firing that want a person, as a calendar file. */
export async function saveWatchTimes(asked: StartTask, start: string): Promise<void> {
  const { data, error } = await api.POST('/api/starts/calendar', {
    body: { ...asked, start },
    parseAs: 'text'
  });
  if (typeof data === 'string')
    download(`${fileName(asked.schedule.name ?? '')}-watch-times.ics`, 'text/calendar', data);
  else toasts.show(sayProblem(error), { tone: 'error' });
}
