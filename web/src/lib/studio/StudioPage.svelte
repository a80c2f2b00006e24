<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack, type Snippet } from 'svelte';
  import { sayProblem } from '$lib/api/client';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import { showAs } from '$lib/display.svelte';
  import StoresTabs from '$lib/ui/StoresTabs.svelte';
  import { openStudio, StudioDraft } from './studio-draft.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  /** A page on which the studio's settings are changed: saved as they are typed, followed by every screen at once. */
  const { title, children }: { title: string; children: Snippet<[StudioDraft]> } = $props();

  const client = useQueryClient();
  const opened = createQuery(() => ({
    queryKey: ['studio-draft'],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: openStudio
  }));
  let draft = $state.raw<StudioDraft | null>(null);
  $effect(() => {
    const found = opened.data;
    untrack(() => {
      if (found && !draft) draft = new StudioDraft(found);
    });
  });
  $effect(() => {
    if (draft?.state.kind === 'saved') {
      showAs(draft.body);
      void client.invalidateQueries({ queryKey: ['studio'] });
    }
  });
  saveOnLeaving(() => draft);
</script>

<svelte:head><title>{title} · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end justify-between gap-3">
    <div>
      <h1 class="text-2xl">Stores</h1>
      <StoresTabs />
    </div>
    {#if draft}
      <div class="flex items-center gap-1">
        <SaveLine {draft} testid="hours-saved" />
        <UndoButtons {draft} />
      </div>
    {/if}
  </header>
  {#if opened.isError}
    <p role="alert">
      {sayProblem(opened.error)} <button class="link" onclick={() => opened.refetch()}>Try again</button>
    </p>
  {:else if draft}
    <ConflictBanner {draft} what="studio" />
    {#each Object.entries(draft.errors) as [field, text] (field)}<p
        class="text-error text-[13.5px]"
        role="alert"
      >
        {text}
      </p>{/each}
    <MayNot right="manage" why="Settings, hours and prices are changed by owners of the studio." />
    <div class="grid gap-3" inert={!me.may('manage')}>{@render children(draft)}</div>
  {/if}
</div>
