<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { photosOf, small } from './photos';

  /** The photo of a thing on a shelf: chosen or taken, made small here, kept at once. */
  const { shelf, id, name }: { shelf: string; id: number; name: string } = $props();

  const client = useQueryClient();
  const photos = $derived(photosOf(shelf));
  const list = createQuery(() => photos.query);
  const url = $derived(list.data?.[id]);
  const refresh = () => client.invalidateQueries({ queryKey: [shelf, 'photos'] });

  async function keep(picture: Blob) {
    const problem = await photos.keep(id, picture);
    await refresh();
    if (problem) toasts.show(sayProblem(problem), { tone: 'error' });
  }

  async function choose(event: Event & { currentTarget: HTMLInputElement }) {
    const file = event.currentTarget.files?.[0];
    event.currentTarget.value = '';
    if (!file) return;
    const picture = await small(file);
    if (picture) await keep(picture);
    else toasts.show('This is no picture that can be read here.', { tone: 'error' });
  }

  async function remove() {
    const before = await photos.read(id);
    const problem = await photos.remove(id);
    if (problem) return toasts.show(sayProblem(problem), { tone: 'error' });
    await refresh();
    toasts.show('The photo is taken away', { action: { label: 'Undo', run: () => void keep(before) } });
  }
</script>

<div class="flex items-center gap-3" data-testid="photo">
  {#if url}<img class="h-20 w-20 rounded-lg object-cover" src={url} alt="{name}, as it looks" />{/if}
  <label class="btn btn-sm btn-paper"
    >{url ? 'Another photo' : 'Add a photo'}
    <input type="file" accept="image/*" class="sr-only" onchange={(e) => void choose(e)} /></label
  >
  {#if url}<button type="button" class="btn btn-sm btn-ghost" onclick={() => void remove()}
      >Take it away</button
    >{/if}
</div>
