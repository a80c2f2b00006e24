<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, saveKey, savedOver, sayProblem, type Profile } from '$lib/api/client';
  import { download, fileName } from '$lib/chart/save-svg';
  import {
    ControllerDraft,
    openController,
    LivePanel,
    Machine,
    ProfileForm,
    QuestionRow
  } from '$lib/controllers';
  import { controllerList } from '$lib/controllers/queries';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  const client = useQueryClient();
  const id = $derived(Number(page.params.id));
  const controllers = createQuery(controllerList);
  const builtIn = $derived(controllers.data?.find((c) => c.id === id)?.builtIn ?? true);
  const opened = createQuery(() => ({
    queryKey: ['controller', id],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () => openController(id)
  }));
  let draft = $state.raw<ControllerDraft | null>(null);

  $effect(() => {
    const found = opened.data;
    untrack(() => {
      if (!found || draft?.id === found.stored?.id) return;
      draft?.close();
      draft = new ControllerDraft(found);
    });
  });
  const refresh = () => client.invalidateQueries({ queryKey: ['controllers'] });
  saveOnLeaving(
    () => draft,
    () => void refresh()
  );

  // The machine beside it is the profile as it stands; while that is wrong it stays the last that was right.
  const machine = new Machine();
  let running: Profile | null = $state.raw(null);
  let trouble: string | null = $state(null);
  $effect(() => {
    const profile = draft?.body;
    if (!profile || profile.give === 'dials') return;
    untrack(() => {
      const next = new Machine();
      void next.of(profile).then(() => {
        trouble = next.trouble;
        if (next.trouble || draft?.body !== profile) return;
        running = profile;
        void machine.of(profile);
      });
    });
  });

  const errorsOf = (i: number) =>
    Object.fromEntries(
      Object.entries(draft?.errors ?? {})
        .filter(([field]) => field === `ask[${i}]` || field.startsWith(`ask[${i}].`))
        .map(([field, text]) => [field.replace(/^ask\[\d+\]\.?/, '').split('.')[0] ?? '', text])
    );

  async function copy() {
    if (!draft) return;
    const { data, error } = await api.POST('/api/controllers', {
      headers: saveKey(crypto.randomUUID()),
      body: { ...draft.body, name: `${draft.body.name}, ours` }
    });
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    await refresh();
    void goto(`/stores/controllers/${data.id}`);
  }

  async function remove() {
    if (draft?.id == null) return;
    await draft.save();
    const [gone, name] = [draft.id, draft.body.name];
    const { response, error } = await api.DELETE('/api/controllers/{id}', {
      params: { path: { id: gone } },
      headers: savedOver(draft.version)
    });
    if (!response.ok) return toasts.show(sayProblem(error), { tone: 'error' });
    await refresh();
    toasts.show(`“${name}” deleted`, {
      action: {
        label: 'Undo',
        run: () =>
          void api.POST('/api/controllers/{id}/restore', { params: { path: { id: gone } } }).then(refresh)
      }
    });
    void goto('/stores/controllers');
  }

  const plain = (profile: Profile) =>
    JSON.stringify(Object.fromEntries(Object.entries(profile).filter(([, v]) => v !== null)), null, 2);
  let json: string | null = $state(null);
  let jsonTrouble: string | null = $state(null);
  function takeJson() {
    try {
      draft?.takeAll(JSON.parse(json ?? '') as Profile);
      [json, jsonTrouble] = [null, null];
    } catch {
      jsonTrouble = 'This is no JSON: a comma or a quote may be missing. Nothing was changed.';
    }
  }
</script>

<svelte:head><title>{draft?.body.name ?? 'Controller'} · Zealous Ember</title></svelte:head>

{#if opened.isError}
  <div class="m-auto max-w-md p-8 text-center">
    <h1 class="mb-2 text-2xl">No such controller</h1>
    <a class="btn btn-primary" href="/stores/controllers">To the controllers</a>
  </div>
{:else if draft}
  {@const own = draft}
  {#if !me.may('manage')}<div class="page pb-0!">
      <MayNot right="manage" why="Controllers are changed by owners of the studio." />
    </div>{/if}
  <div class="page max-w-none" inert={!me.may('manage')}>
    <header class="flex flex-wrap items-end gap-x-4 gap-y-1">
      <div class="min-w-0 flex-1 basis-72">
        <a class="link link-hover text-soft text-[13px]" href="/stores/controllers">Controllers</a>
        <input
          class="name w-full font-serif text-2xl font-semibold"
          aria-label="Name of the controller"
          autocomplete="off"
          disabled={builtIn}
          value={own.body.name ?? ''}
          oninput={(e) => own.edit({ name: e.currentTarget.value }, 'name')}
        />
        {#if own.errors['name']}<p class="text-error text-[13px]" role="alert">{own.errors['name']}</p>{/if}
      </div>
      <div class="flex flex-wrap items-center gap-1">
        {#if builtIn}
          <span class="text-soft text-[13.5px]">It came with the program.</span>
          <button class="btn btn-sm btn-primary" onclick={() => void copy()}>Copy and change</button>
        {:else}
          <SaveLine draft={own} testid="controller-saved" />
          <UndoButtons draft={own} />
          <button class="btn btn-sm btn-ghost text-error" onclick={() => void remove()}>Delete</button>
        {/if}
        <button
          class="btn btn-sm btn-paper"
          onclick={() =>
            download(`${fileName(own.body.name ?? 'controller')}.json`, 'application/json', plain(own.body))}
          >Export</button
        >
      </div>
    </header>
    <ConflictBanner draft={own} what="controller" />
    <div class="columns">
      <div class="grid content-start gap-3">
        <ProfileForm
          body={own.body}
          errors={own.errors}
          disabled={builtIn}
          onedit={(change) => own.edit(change)}
        />
        {#if own.body.give !== 'dials'}
          <fieldset disabled={builtIn}>
            <legend class="font-serif text-[16px] font-semibold">Its questions, in order</legend>
            {#if own.errors['ask']}<p class="text-error text-[13.5px]" role="alert">
                {own.errors['ask']}
              </p>{/if}
            <ol class="grid gap-2">
              {#each own.questions as question, i (i)}
                <QuestionRow
                  {question}
                  errors={errorsOf(i)}
                  first={i === 0}
                  last={i === own.questions.length - 1}
                  onedit={(change) => own.editQuestion(i, change)}
                  onmove={(by) => own.moveQuestion(i, by)}
                  onremove={() => own.removeQuestion(i)}
                />
              {/each}
            </ol>
            {#if !builtIn}<button class="btn btn-sm btn-paper mt-2" onclick={() => own.addQuestion()}
                >Add a question</button
              >{/if}
          </fieldset>
        {/if}
        <details
          class="card-paper px-4 py-2 text-[14px]"
          ontoggle={(e) => (json = e.currentTarget.open ? plain(own.body) : null)}
        >
          <summary class="cursor-pointer">As JSON, with built-in programs and switches</summary>
          <textarea
            class="textarea mt-2 h-72 w-full font-mono text-[13px]"
            aria-label="The profile as JSON"
            readonly={builtIn}
            bind:value={json}></textarea>
          {#if jsonTrouble}<p class="text-error" role="alert">{jsonTrouble}</p>{/if}
          {#if !builtIn}<button class="btn btn-sm btn-paper" onclick={takeJson}>Use this</button>{/if}
        </details>
      </div>
      <aside class="grid content-start gap-2">
        {#if running}
          <LivePanel {machine} profile={running} />
          <p class="text-soft text-[13.5px]">
            This runs as described here: press open, and see whether it asks what yours asks.
          </p>
          {#if machine.state && machine.pressed.length}
            <p class="text-[13.5px]">
              {#each machine.state.program as a, i (a.question)}{i > 0 ? ', ' : ''}{a.question}
                <b>{a.shown}</b>{/each}
            </p>
          {/if}
        {:else if own.body.give === 'dials'}
          <p class="text-soft">
            Switches are told nothing: they are turned by the clock, when a schedule is set.
          </p>
        {/if}
        {#if trouble && !builtIn}<p class="text-warning text-[13.5px]">
            It contradicts itself as it stands: {Object.values(own.errors)[0] ?? trouble}
          </p>{/if}
      </aside>
    </div>
  </div>
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
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1.9fr) minmax(0, 1fr);
    gap: 16px;
    align-items: start;
  }
  aside {
    position: sticky;
    top: 12px;
  }
  @media (max-width: 1023px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
    aside {
      position: static;
    }
  }
</style>
