import type { QueryClient } from '@tanstack/svelte-query';
import { api, savedOver, sayProblem } from '$lib/api/client';
import { toasts } from '$lib/ui/toasts.svelte';

let queries: QueryClient | undefined;

/** The layout lends its query client, so that lists follow what is deleted and brought back. */
export function lend(client: QueryClient): void {
  queries = client;
}

const refresh = () => queries?.invalidateQueries({ queryKey: ['schedules'] });

/** Deletes and offers the way back. True when it is gone. */
export async function removeSchedule(id: number, version: number, name: string): Promise<boolean> {
  const { error, response } = await api.DELETE('/api/schedules/{id}', {
    params: { path: { id } },
    headers: savedOver(version)
  });
  if (!response.ok) {
    toasts.show(sayProblem(error), { tone: 'error' });
    return false;
  }
  await refresh();
  toasts.show(`“${name}” deleted`, {
    action: {
      label: 'Undo',
      run: () =>
        void api.POST('/api/schedules/{id}/restore', { params: { path: { id } } }).then(({ data }) => {
          toasts.show(data ? `“${name}” restored` : 'It could not be restored', {
            tone: data ? 'plain' : 'error'
          });
          return refresh();
        })
    }
  });
  return true;
}
