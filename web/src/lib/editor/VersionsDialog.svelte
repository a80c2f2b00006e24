<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api } from '$lib/api/client';
  import { degrees, when } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { fromSchedule } from './draft';
  import type { ScheduleDraft } from './schedule-draft.svelte';

  interface Props {
    draft: ScheduleDraft;
    id: number;
    onclose: () => void;
  }
  const { draft, id, onclose }: Props = $props();

  const versions = createQuery(() => ({
    queryKey: ['versions', id, draft.version],
    queryFn: async () => {
      const { data, error } = await api.GET('/api/schedules/{id}/versions', { params: { path: { id } } });
      if (!data) throw error;
      return data;
    }
  }));

  async function goBackTo(number: number) {
    const { data } = await api.GET('/api/schedules/{id}/versions/{number}', {
      params: { path: { id, number } }
    });
    if (!data) return toasts.show('That version could not be read', { tone: 'error' });
    draft.edit(fromSchedule(data));
    toasts.show(`Version ${number} is in the editor`, { action: { label: 'Undo', run: () => draft.undo() } });
    onclose();
  }
</script>

<Dialog title="Earlier versions" wide {onclose}>
  <p class="text-soft mb-3 text-sm">Every save can be gone back to; this lists the last of each sitting.</p>
  {#if versions.isError}
    <p class="text-error" role="alert">
      The versions could not be read. <button class="link" onclick={() => versions.refetch()}
        >Try again</button
      >
    </p>
  {:else}
    <ul class="divide-base-300 divide-y" data-testid="versions">
      {#each versions.data ?? [] as version (version.number)}
        <li class="flex items-start gap-3 py-2.5">
          <div class="min-w-0 flex-1">
            <div class="font-semibold">
              {when(new Date(version.savedAt))}
              <span class="text-soft font-normal"
                >· version {version.number} · top {degrees(version.peak, version.unit)}</span
              >
            </div>
            {#if version.reason}<div class="text-[13.5px]" data-testid="version-reason">
                {version.reason}
                {#if version.fromFiring}<a class="link" href="/firings/{version.fromFiring}?stage=read"
                    >That firing</a
                  >{/if}
              </div>{/if}
            <div class="text-soft font-mono text-[12.5px] break-words">{version.line}</div>
          </div>
          {#if version.number === draft.version}
            <span class="text-soft py-1 text-sm">in the editor</span>
          {:else}
            <button class="btn btn-sm btn-paper" onclick={() => void goBackTo(version.number)}
              >Go back to this</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</Dialog>
