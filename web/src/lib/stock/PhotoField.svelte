<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { photosOf, small } from './photos';

  /** The photo of a clay or glaze: chosen or taken, made small here, saved at once. */
  const { shelf, id, name }: { shelf: string; id: number; name: string } = $props();

  const client = useQueryClient();
  const photos = $derived(photosOf(shelf));
  const list = createQuery(() => photos.query);
  const url = $derived(list.data?.[id]);
  const refresh = () => client.invalidateQueries({ queryKey: [shelf, 'photos'] });

  async function save(picture: Blob) {
    const problem = await photos.save(id, picture);
    await refresh();
    if (problem) toasts.show(sayProblem(problem), { tone: 'error' });
  }

  async function choose(event: Event & { currentTarget: HTMLInputElement }) {
    const file = event.currentTarget.files?.[0];
    event.currentTarget.value = '';
    if (!file) return;
    const picture = await small(file);
    if (picture) await save(picture);
    else toasts.show('This is no picture that can be read here.', { tone: 'error' });
  }

  async function remove() {
    const before = await photos.read(id);
    const problem = await photos.remove(id);
    if (problem) return toasts.show(sayProblem(problem), { tone: 'error' });
    await refresh();
    toasts.show('Photo removed', { action: { label: 'Undo', run: () => void save(before) } });
  }
</script>

<div class="flex items-center gap-3" data-testid="photo">
  {#if url}<img class="h-20 w-20 rounded-lg object-cover" src={url} alt="{name}, as it looks" />{/if}
  <label class="btn btn-sm btn-paper"
    >{url ? 'Another photo' : 'Add a photo'}
    <input type="file" accept="image/*" class="sr-only" onchange={(e) => void choose(e)} /></label
  >
  {#if url}<button type="button" class="btn btn-sm btn-ghost" onclick={() => void remove()}
      >Remove photo</button
    >{/if}
</div>
