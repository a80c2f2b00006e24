<script lang="ts">
  import { portraitOn } from '$lib/kilns/portrait-on';
  import { display } from '$lib/display.svelte';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, savedOver, sayProblem } from '$lib/api/client';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import ClassChoice from '$lib/kilns/ClassChoice.svelte';
  import KilnForm from '$lib/kilns/KilnForm.svelte';
  import { KilnDraft, openKiln } from '$lib/kilns/kiln-draft.svelte';
  import PortraitCard from '$lib/kilns/PortraitCard.svelte';
  import { kilnClasses, kilnNumbers } from '$lib/kilns/queries';
  import { ChamberCard } from '$lib/packing';
  import { toasts } from '$lib/ui/toasts.svelte';
  import Taught from './Taught.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  const client = useQueryClient();
  const id = $derived(page.params.id === 'new' ? null : Number(page.params.id));
  const numbers = createQuery(kilnNumbers);
  const classes = createQuery(kilnClasses);
  const opened = createQuery(() => ({
    queryKey: ['kiln', id],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () => openKiln(id)
  }));
  let draft = $state.raw<KilnDraft | null>(null);

  $effect(() => {
    const [wanted, found, usual] = [id, opened.data, classes.data?.find((c) => c.id === 'top-190')?.usual];
    untrack(() => {
      if (!found || !usual || (found.stored?.id ?? null) !== wanted) return;
      // Made just now: its address is its own, the page stays as it is.
      if (draft && draft.id === wanted && draft.id !== null) return;
      draft?.close();
      draft = new KilnDraft({ ...usual, name: '' }, found);
    });
  });

  /** Another class: its usual numbers, under the name already given. */
  function start(from: string) {
    const usual = classes.data?.find((c) => c.id === from)?.usual;
    if (usual && draft) draft.edit({ ...usual, name: draft.body.name ?? '' });
  }

  async function make(event: SubmitEvent) {
    event.preventDefault();
    if (!draft || draft.id !== null) return;
    const made = await draft.create();
    // What has to be put right is where the finger goes.
    if (made === null)
      return document.querySelector<HTMLElement>('form [aria-invalid="true"], #kiln-name')?.focus();
    await refresh();
    toasts.show(`${draft.body.name} added`);
    void goto(`/stores/kilns/${made}`, { replaceState: true });
  }

  const refresh = () => client.invalidateQueries({ queryKey: ['kilns'] });

  async function remove() {
    if (!draft?.id) return;
    const [gone, name] = [draft.id, draft.body.name];
    await draft.save();
    const { response, error } = await api.DELETE('/api/kilns/{id}', {
      params: { path: { id: gone } },
      headers: savedOver(draft.version)
    });
    if (!response.ok) return toasts.show(sayProblem(error), { tone: 'error' });
    await refresh();
    toasts.show(`“${name}” deleted`, {
      action: {
        label: 'Undo',
        run: () => void api.POST('/api/kilns/{id}/restore', { params: { path: { id: gone } } }).then(refresh)
      }
    });
    void goto('/stores/kilns');
  }

  saveOnLeaving(
    () => draft,
    () => void refresh()
  );
</script>

<svelte:head><title>{draft?.body.name || 'New kiln'} · Zealous Ember</title></svelte:head>

{#if opened.isError}
  <div class="m-auto max-w-md p-8 text-center">
    <h1 class="mb-2 text-2xl">No such kiln</h1>
    <p class="text-soft mb-4">{sayProblem(opened.error)}</p>
    <a class="btn btn-primary" href="/stores/kilns">To the kilns</a>
  </div>
{:else if draft && numbers.data}
  {@const kiln = draft}
  {@const portrait = draft.portrait && portraitOn(draft.portrait, display.unit)}
  {#if !me.may('manage')}<div class="page pb-0!">
      <MayNot right="manage" why="Kilns are changed by owners of the studio." />
    </div>{/if}
  <form class="page" onsubmit={make} inert={!me.may('manage')}>
    <header class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <div class="min-w-0 flex-1 basis-72">
        <a class="link link-hover text-soft text-[13px]" href="/stores/kilns">Kilns</a>
        <!-- A new one is named first: the cursor is there, whenever the form arrives. -->
        <!-- svelte-ignore a11y_autofocus -->
        <input
          id="kiln-name"
          autofocus={kiln.id === null}
          class="name w-full font-serif text-2xl font-semibold"
          aria-label="Name of the kiln"
          placeholder="Name this kiln"
          autocomplete="off"
          maxlength="80"
          aria-invalid={kiln.messages['name'] ? 'true' : undefined}
          value={kiln.body.name ?? ''}
          oninput={(e) => kiln.edit({ name: e.currentTarget.value }, 'name')}
        />
        {#if kiln.messages['name']}<p class="text-error text-[13px]" role="alert">
            {kiln.messages['name']}
          </p>{/if}
      </div>
      <div class="flex items-center gap-1">
        <SaveLine draft={kiln} testid="kiln-saved" />
        <UndoButtons draft={kiln} />
        {#if kiln.id === null}
          <button class="btn btn-sm btn-primary" data-testid="make-kiln">Add this kiln</button>
        {:else}
          <button type="button" class="btn btn-sm btn-ghost text-error" onclick={() => void remove()}
            >Delete</button
          >
        {/if}
      </div>
    </header>

    <ConflictBanner draft={kiln} what="kiln" />

    {#if kiln.id === null}
      <ClassChoice classes={classes.data ?? []} chosen={kiln.body.class} onchoose={start} />
    {/if}

    <div class="columns">
      <div class="grid content-start gap-3">
        <KilnForm draft={kiln} numbers={numbers.data} />
        {#if kiln.portrait}
          <ChamberCard
            chamber={kiln.body.chamber ?? kiln.portrait.chamber}
            props={kiln.body.props ?? kiln.portrait.props}
            isUsual={!kiln.body.chamber && !kiln.body.props}
            messages={kiln.messages}
            onedit={(change, group) => kiln.edit(change, group)}
          />
        {/if}
        <label class="card-paper block px-4 py-3">
          <span class="font-serif text-[16px] font-semibold">Notes</span>
          <textarea
            class="textarea mt-1 w-full"
            rows="2"
            maxlength="2000"
            placeholder={kiln.body.heat === 'fuel'
              ? 'Which burner lights first, where the damper sticks, which shelf runs cool'
              : 'Which peephole, which shelf runs cool, when the elements were changed'}
            value={kiln.body.notes ?? ''}
            oninput={(e) => kiln.edit({ notes: e.currentTarget.value || null }, 'notes')}></textarea>
        </label>
      </div>
      <aside class="grid content-start gap-3">
        {#if portrait && kiln.body.heat === 'fuel'}
          {#await import('$lib/fuel/FuelPortraitCard.svelte') then { default: FuelPortraitCard }}<FuelPortraitCard
              kiln={kiln.body}
              {portrait}
            />{/await}
        {:else if portrait}<PortraitCard kiln={kiln.body} {portrait} />{/if}
      </aside>
    </div>
  </form>
  {#if kiln.id !== null}<Taught draft={kiln} kilnId={kiln.id} />{/if}
{/if}

<style>
  .name {
    background: none;
    border: 0;
    border-radius: 6px;
    padding: 0 4px;
    margin-left: -4px;
    text-overflow: ellipsis;
  }
  .name::placeholder {
    color: var(--color-soft);
    opacity: 1;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
    gap: 16px;
  }
  @media (max-width: 1023px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
    aside {
      order: -1;
    }
  }
</style>
