<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Desk } from './desk.svelte';

  const { desk }: { desk: Desk } = $props();

  let tag = $state('');
  const saidTags = $derived(Object.entries(desk.errors).find(([field]) => field.startsWith('tags'))?.[1]);

  function addTag() {
    const word = tag.trim().toLowerCase().replace(/,$/, '');
    if (word && !desk.draft.tags.includes(word)) desk.edit({ tags: [...desk.draft.tags, word] });
    tag = '';
  }
</script>

<section class="card-paper flex flex-1 flex-col px-3.5 py-2.5" aria-labelledby="about-it">
  <h2 id="about-it" class="mb-1.5 text-[15px]">Notes</h2>
  <textarea
    class="textarea textarea-sm min-h-0 h-12 w-full flex-1 resize-none leading-snug"
    aria-label="Notes"
    placeholder="What it is for, what to watch"
    value={desk.draft.notes ?? ''}
    oninput={(e) => desk.edit({ notes: e.currentTarget.value || null }, 'notes')}
    onblur={() => desk.history.endGroup()}></textarea>
  {#if desk.errors['notes']}<p class="text-error mt-1 text-[13px]" role="alert">
      {desk.errors['notes']}
    </p>{/if}
  <div class="mt-2 flex flex-wrap items-center gap-1">
    {#each desk.draft.tags as word (word)}
      <span class="badge badge-sm bg-accent text-accent-content gap-1 border-0 pr-1">
        {word}
        <button
          aria-label="Remove tag {word}"
          class="cursor-pointer rounded-full p-0.5"
          onclick={() => desk.edit({ tags: desk.draft.tags.filter((t) => t !== word) })}
          ><X size={11} /></button
        >
      </span>
    {/each}
    <input
      class="input input-xs w-20 flex-1"
      aria-label="Add a tag"
      placeholder="add a tag"
      maxlength="40"
      bind:value={tag}
      onblur={addTag}
      onkeydown={(e) => {
        if (e.key !== 'Enter' && e.key !== ',') return;
        e.preventDefault();
        addTag();
      }}
    />
  </div>
  {#if saidTags}<p class="text-error mt-1 text-[13px]" role="alert">{saidTags}</p>{/if}
</section>
