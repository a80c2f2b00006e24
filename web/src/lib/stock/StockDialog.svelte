<script lang="ts" generics="T extends { name?: string | null; notes?: string | null }">
  import { onDestroy, untrack } from 'svelte';
  import { sayProblem } from '$lib/api/client';
  import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
  import type { Opened } from '$lib/draft/remote';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Collection } from './collections';
  import PhotoField from './PhotoField.svelte';
  import StockField, { type Field } from './StockField.svelte';

  interface Props {
    one: string;
    collection: Collection<T>;
    fields: readonly Field<T>[];
    empty: T;
    opened: Opened<T>;
    onsaved: () => void;
    onclose: () => void;
  }
  /** One clay or glaze: an old one is saved as it is typed, a new one when it is added. */
  const { one, collection, fields, empty, opened, onsaved, onclose }: Props = $props();

  const draft = untrack(() => new AutosavedDraft(collection.remote, empty, opened));
  onDestroy(() => draft.close());

  async function close() {
    await draft.save();
    onsaved();
    onclose();
  }

  async function add(event: SubmitEvent) {
    event.preventDefault();
    if (draft.id === null && (await draft.create()) === null) return;
    await close();
  }

  async function remove() {
    if (draft.id === null) return;
    await draft.save();
    const [id, name] = [draft.id, draft.body.name];
    const problem = await collection.remove(id, draft.version);
    if (problem) return toasts.show(sayProblem(problem), { tone: 'error' });
    onsaved();
    onclose();
    toasts.show(`“${name}” deleted`, {
      action: { label: 'Undo', run: () => void collection.remote.restore?.(id).then(onsaved) }
    });
  }
</script>

<svelte:window onpagehide={() => draft.leave()} />

<Dialog title={opened.stored ? (draft.body.name ?? '') : `New ${one}`} onclose={() => void close()}>
  <form class="grid gap-3" onsubmit={add}>
    <ConflictBanner {draft} what={one} />
    {#if draft.id !== null}<PhotoField
        shelf={collection.key}
        id={draft.id}
        name={draft.body.name ?? one}
      />{/if}
    <div class="fields">
      {#each fields as field (field.name)}
        <StockField
          {field}
          body={draft.body}
          error={draft.errors[field.name]}
          onchange={(change) => draft.edit(change, field.name)}
        />
      {/each}
    </div>
    <p class="flex items-center gap-2">
      <button class="btn btn-sm btn-primary">{opened.stored ? 'Close' : `Add ${one}`}</button>
      <SaveLine {draft} testid="stock-saved" />
      <UndoButtons {draft} />
      {#if opened.stored}
        <button type="button" class="btn btn-sm btn-ghost text-error ml-auto" onclick={() => void remove()}
          >Delete</button
        >
      {/if}
    </p>
  </form>
</Dialog>

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 10px 18px;
    align-items: start;
  }
</style>
