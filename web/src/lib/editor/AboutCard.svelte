<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { ScheduleDraft } from './schedule-draft.svelte';

  const { draft, errors }: { draft: ScheduleDraft; errors: Record<string, string> } = $props();

  let tag = $state('');
  const saidTags = $derived(Object.entries(errors).find(([field]) => field.startsWith('tags'))?.[1]);

  function addTag() {
    const word = tag.trim().toLowerCase().replace(/,$/, '');
    if (word && !draft.body.tags.includes(word)) draft.edit({ tags: [...draft.body.tags, word] });
    tag = '';
  }
</script>

<section class="card-paper flex flex-1 flex-col px-3.5 py-2.5" aria-labelledby="about-it">
  <h2 id="about-it" class="mb-1.5 text-[15px]">Notes</h2>
  <textarea
    class="textarea textarea-sm min-h-0 h-12 w-full flex-1 resize-none leading-snug"
    aria-label="Notes"
    placeholder="What it is for, what to watch"
    value={draft.body.notes ?? ''}
    oninput={(e) => draft.edit({ notes: e.currentTarget.value || null }, 'notes')}
    onblur={() => draft.history.endGroup()}></textarea>
  {#if errors['notes']}<p class="text-error mt-1 text-[13px]" role="alert">
      {errors['notes']}
    </p>{/if}
  <div class="mt-2 flex flex-wrap items-center gap-1">
    {#each draft.body.tags as word (word)}
      <span class="badge badge-sm bg-accent text-accent-content gap-1 border-0 pr-1">
        {word}
        <button
          aria-label="Remove tag {word}"
          class="cursor-pointer rounded-full p-0.5"
          onclick={() => draft.edit({ tags: draft.body.tags.filter((t) => t !== word) })}
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
