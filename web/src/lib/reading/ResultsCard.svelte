<script lang="ts">
  import Star from '@lucide/svelte/icons/star';
  import { counted, plural } from '$lib/format';
  import FaultGrid from './FaultGrid.svelte';
  import FaultRow from './FaultRow.svelte';
  import PhotoStrip from './PhotoStrip.svelte';
  import type { ReadingDraft } from './reading-draft.svelte';

  /** What came out: counted, lost, and what is wrong with some. A good firing is two taps. */
  const { draft, closed }: { draft: ReadingDraft; closed: boolean } = $props();

  const view = $derived(draft.view);
  const results = $derived(draft.results);
  const went = $derived(view.lots.reduce((sum, lot) => sum + lot.count, 0));
  let choosing = $state(false);
  const whole = (text: string) => (/^\d{1,5}$/.test(text.trim()) ? Number(text) : null);

  function add(kind: string) {
    choosing = false;
    const only = view.lots.length === 1;
    draft.say({
      faults: [
        ...results.faults,
        { kind, lot: only ? 0 : null, shelf: null, count: 1, severity: 'looks', later: null, note: null }
      ]
    });
  }
</script>

<section class="card-paper grid content-start gap-3 p-4" aria-label="What came out" data-testid="results">
  <div class="flex flex-wrap items-center justify-between gap-2">
    <h2 class="text-[17px]">What came out</h2>
    <button
      class={['btn btn-sm', results.reference ? 'btn-primary' : 'btn-paper']}
      aria-pressed={results.reference}
      disabled={closed}
      onclick={() => draft.say({ reference: !results.reference })}
      title="This is what such a firing should look like"
      ><Star size={15} fill={results.reference ? 'currentColor' : 'none'} /> Reference</button
    >
  </div>
  <div class="flex flex-wrap items-end gap-3">
    <label class="grid text-[13px]"
      >Out of the kiln
      <input
        class="input input-sm w-20"
        inputmode="numeric"
        autocomplete="off"
        placeholder={went > 0 ? String(went) : ''}
        disabled={closed}
        aria-invalid={'results.out' in draft.errors}
        value={results.out ?? ''}
        onchange={(e) => draft.say({ out: whole(e.currentTarget.value) })}
      /></label
    >
    <label class="grid text-[13px]"
      >Lost
      <input
        class="input input-sm w-16"
        inputmode="numeric"
        autocomplete="off"
        disabled={closed}
        aria-invalid={'results.lost' in draft.errors}
        value={results.lost ?? ''}
        onchange={(e) => draft.say({ lost: whole(e.currentTarget.value) })}
      /></label
    >
    {#if !closed && results.out === null && results.faults.length === 0}
      <button
        class="btn btn-primary min-h-11 flex-1"
        data-testid="all-good"
        onclick={() => draft.say({ out: went > 0 ? went : 1, lost: 0 })}
        >{went > 0 ? `All ${went} good` : 'All good'}</button
      >
    {:else if results.out !== null && results.faults.length === 0 && !results.lost}
      <p class="text-success flex-1 font-semibold">{plural(results.out, 'piece')}, nothing lost.</p>
    {/if}
  </div>
  {#each ['results.out', 'results.lost', 'results.word'] as field (field)}
    {#if draft.errors[field]}<p class="text-error text-[13px]" role="alert">{draft.errors[field]}</p>{/if}
  {/each}
  {#if view.lots.length > 0}
    <p class="text-soft text-[13px]">
      Went in: {view.lots
        .map((l) => `${counted(l.count, l.what)}${l.glazes.length ? ` (${l.glazes.join(', ')})` : ''}`)
        .join(', ')}.
    </p>
  {/if}
  {#each results.faults as fault, i (i)}
    <FaultRow {draft} {fault} index={i} {closed} />
  {/each}
  {#if !closed}
    {#if choosing || results.faults.length === 0}
      <FaultGrid can={view.faults} onchoose={add} folded={!choosing} onunfold={() => (choosing = true)} />
    {:else}
      <button class="btn btn-paper btn-sm justify-self-start" onclick={() => (choosing = true)}
        >Another fault</button
      >
    {/if}
  {/if}
  <label class="grid gap-1 text-[13px]"
    >A word about it
    <textarea
      class="textarea textarea-sm w-full"
      rows="2"
      maxlength="2000"
      disabled={closed}
      value={results.word ?? ''}
      oninput={(e) => draft.say({ word: e.currentTarget.value || null }, 'word')}></textarea></label
  >
  <PhotoStrip firingId={view.firingId} photos={view.photos} {closed} />
</section>
