<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { outbox } from '$lib/live';
  import type { ReadingView } from './reading-draft.svelte';

  /** Photos of what came out; they belong to the firing's log, and queue on the phone like its other entries. */
  interface Props {
    firingId: number;
    photos: ReadingView['photos'];
    closed: boolean;
  }
  const { firingId, photos, closed }: Props = $props();
  const client = useQueryClient();
  let added: string[] = $state([]);

  async function add(files: FileList | null) {
    for (const file of files ?? []) {
      const reader = new FileReader();
      reader.onload = () => (added = [...added, String(reader.result)]);
      reader.readAsDataURL(file);
      await outbox.note(
        firingId,
        { kind: 'photo', at: null, celsius: null, subject: null, text: 'Out of the kiln' },
        file
      );
    }
    void client.invalidateQueries({ queryKey: ['entries', firingId] });
  }
</script>

<div class="flex flex-wrap items-center gap-2">
  {#each photos as photo (photo.key)}
    <a href="/api/firings/{firingId}/entries/{photo.key}/photo" target="_blank" rel="noreferrer"
      ><img
        src="/api/firings/{firingId}/entries/{photo.key}/photo"
        alt={photo.text ?? 'Photo of the firing'}
      /></a
    >
  {/each}
  {#each added as url (url)}<img src={url} alt="Just added" />{/each}
  {#if !closed}<label class="btn btn-paper btn-sm"
      >Add a photo<input
        type="file"
        accept="image/*"
        multiple
        class="sr-only"
        onchange={(e) => void add(e.currentTarget.files)}
      /></label
    >{/if}
</div>

<style>
  img {
    width: 64px;
    height: 64px;
    object-fit: cover;
    border-radius: 8px;
  }
</style>
