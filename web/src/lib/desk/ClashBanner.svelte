<script lang="ts">
  import { api } from '$lib/api/client';
  import { when } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Desk } from './desk.svelte';
  import { toBody } from './draft';

  const { desk }: { desk: Desk } = $props();

  /** Ours under a name of its own; theirs stays as it is and comes onto the desk. */
  async function keepAsCopy() {
    const body = toBody(desk.draft);
    const { data } = await api.POST('/api/schedules', {
      body: { ...body, name: `${body.name}, mine`.slice(0, 120) }
    });
    if (!data)
      return toasts.show('It could not be kept as a copy; mend what is marked first', { tone: 'error' });
    desk.settleClash('theirs');
    toasts.show(`Yours is kept as “${data.name}”`);
  }
</script>

{#if desk.save.kind === 'clash'}
  {@const theirs = desk.save.current}
  <div class="alert border-warning bg-base-100 flex-wrap py-2" role="alert" data-testid="clash">
    <span class="flex-1">
      Somebody saved version {theirs.version} of this schedule {when(new Date(theirs.updatedAt))}, after you
      opened it. Nothing was overwritten; yours is still on the desk.
    </span>
    <span class="flex flex-wrap gap-1">
      <button class="btn btn-sm btn-paper" onclick={() => desk.settleClash('theirs')}>Take theirs</button>
      <button class="btn btn-sm btn-paper" onclick={() => void keepAsCopy()}>Keep mine as a copy</button>
      <button class="btn btn-sm btn-primary" onclick={() => desk.settleClash('ours')}
        >Save mine over it</button
      >
    </span>
  </div>
{/if}
