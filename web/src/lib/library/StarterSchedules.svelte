<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { api, sayProblem, type ScheduleFile } from '$lib/api/client';
  import { plural } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';

  /** A few plain schedules to begin with; each can be changed or deleted like any other. */
  const client = useQueryClient();
  let busy = $state(false);

  async function load() {
    busy = true;
    try {
      const file = await fetch('/starter-schedules.json');
      const { data, error } = await api.POST('/api/schedules/import', {
        body: (await file.json()) as ScheduleFile
      });
      if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
      await client.invalidateQueries({ queryKey: ['schedules'] });
      toasts.show(`${plural(data.imported.length, 'starter schedule')} added`);
    } catch (error) {
      toasts.show(sayProblem(error), { tone: 'error' });
    } finally {
      busy = false;
    }
  }
</script>

<button
  type="button"
  class="btn btn-sm btn-paper"
  data-testid="starters"
  disabled={busy}
  onclick={() => void load()}>Load starter schedules</button
>
