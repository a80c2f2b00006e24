<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onDestroy, untrack } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { afterNavigate, beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, sayProblem, type Unit } from '$lib/api/client';
  import AboutCard from '$lib/desk/AboutCard.svelte';
  import BetweenCard from '$lib/desk/BetweenCard.svelte';
  import Chamber from '$lib/desk/Chamber.svelte';
  import ConesCard from '$lib/cones/ConesCard.svelte';
  import ClashBanner from '$lib/desk/ClashBanner.svelte';
  import ClockCard from '$lib/desk/ClockCard.svelte';
  import DeskHeader from '$lib/desk/DeskHeader.svelte';
  import { Desk } from '$lib/desk/desk.svelte';
  import KilnCard from '$lib/desk/KilnCard.svelte';
  import StepList from '$lib/desk/StepList.svelte';
  import WriteOut from '$lib/desk/WriteOut.svelte';

  const id = $derived(page.params.id === 'new' ? null : Number(page.params.id));
  let desk = $state.raw(fresh());
  let selected = $state(-1);
  let dialog: 'text' | 'versions' | 'help' | null = $state(null);
  let list: StepList | undefined = $state();

  function fresh() {
    const unit: Unit = localStorage.getItem('ember.unit') === 'F' ? 'F' : 'C';
    // Saved for the first time: the address becomes its own, the desk stays as it is.
    return new Desk(
      unit,
      (newId) => void goto(`/schedules/${newId}`, { replaceState: true, keepFocus: true, noScroll: true })
    );
  }

  const schedule = createQuery(() => ({
    queryKey: ['schedule', id],
    enabled: id !== null && desk.id !== id,
    // What is on the desk must never be swapped for what a cache remembers.
    gcTime: 0,
    staleTime: Infinity,
    queryFn: async () => {
      const { data, error } = await api.GET('/api/schedules/{id}', { params: { path: { id: id ?? 0 } } });
      if (!data) throw error;
      return data;
    }
  }));

  $effect(() => {
    const opened = id;
    const found = schedule.data;
    untrack(() => {
      if (opened === null && (desk.id !== null || desk.save.kind === 'blank')) {
        desk.close();
        desk = fresh();
        desk.openNew();
      } else if (opened !== null && desk.id !== opened && found?.id === opened) {
        desk.close();
        desk = fresh();
        desk.open(found);
        selected = -1;
      }
    });
  });

  $effect(() => {
    const typing = (e: KeyboardEvent) =>
      e.target instanceof HTMLElement && e.target.matches('input, textarea, select');
    return tinykeys(window, {
      '$mod+KeyZ': (e) => (e.preventDefault(), desk.undo()),
      '$mod+Shift+KeyZ': (e) => (e.preventDefault(), desk.redo()),
      '$mod+KeyY': (e) => (e.preventDefault(), desk.redo()),
      '$mod+KeyS': (e) => (e.preventDefault(), void desk.store()),
      w: (e) => typing(e) || (e.preventDefault(), document.getElementById('write-out')?.focus()),
      'Shift+?': (e) => typing(e) || (dialog = 'help')
    });
  });

  // After the router has put the focus where it wants it: a new schedule starts with its name.
  afterNavigate(() => id === null && document.getElementById('schedule-name')?.focus());
  beforeNavigate(() => desk.close());
  onDestroy(() => desk.close());
</script>

<svelte:head><title>{desk.draft.name || 'New schedule'} · Zealous Ember</title></svelte:head>
<svelte:window onpagehide={() => desk.close()} />

{#if schedule.isError}
  <div class="m-auto max-w-md p-8 text-center">
    <h1 class="mb-2 text-2xl">Not on the shelf</h1>
    <p class="text-soft mb-4">{sayProblem(schedule.error)}</p>
    <a class="btn btn-primary" href="/schedules">To the schedules</a>
  </div>
{:else if id === null || desk.id === id}
  <div class="desk">
    <DeskHeader
      {desk}
      ontext={() => (dialog = 'text')}
      onversions={() => (dialog = 'versions')}
      onhelp={() => (dialog = 'help')}
    />
    <ClashBanner {desk} />
    <div class="columns">
      <div class="left">
        <Chamber {desk} bind:selected />
        <section class="card-paper steps" aria-label="Steps">
          <div class="scroll"><StepList bind:this={list} {desk} bind:selected /></div>
          {#if desk.errors['segments']}<p class="text-error px-3.5 py-1 text-[13px]" role="alert">
              {desk.errors['segments']}
            </p>{/if}
          <WriteOut
            {desk}
            onadd={() => void list?.focusRow(desk.addStep(desk.draft.steps.length - 1))}
            onwritten={() => (selected = desk.draft.steps.length - 1)}
          />
        </section>
      </div>
      <aside class="right">
        <ClockCard {desk} />
        <ConesCard {desk} />
        <KilnCard {desk} />
        <!-- Comes when there is something to say; a quiet schedule does not wait for it. -->
        {#if desk.preview?.findings.length}
          {#await import('$lib/desk/FindingsCard.svelte') then { default: FindingsCard }}
            <FindingsCard {desk} onselect={(segment) => void list?.focusRow(segment)} />
          {/await}
        {/if}
        <BetweenCard {desk} />
        <AboutCard {desk} />
      </aside>
    </div>
  </div>
{/if}

<!-- Dialogs come when they are asked for; the first view does not wait for them. -->
{#if dialog === 'text'}
  {#await import('$lib/desk/TextDialog.svelte') then { default: TextDialog }}
    <TextDialog {desk} onclose={() => (dialog = null)} />
  {/await}
{:else if dialog === 'versions' && desk.id !== null}
  {@const id = desk.id}
  {#await import('$lib/desk/VersionsDialog.svelte') then { default: VersionsDialog }}
    <VersionsDialog {desk} {id} onclose={() => (dialog = null)} />
  {/await}
{:else if dialog === 'help'}
  {#await import('$lib/desk/HelpDialog.svelte') then { default: HelpDialog }}
    <HelpDialog onclose={() => (dialog = null)} />
  {/await}
{/if}

<style>
  .desk {
    display: flex;
    flex-direction: column;
    gap: 10px;
    padding: 12px 18px 12px 20px;
    min-height: 100dvh;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 292px;
    gap: 14px;
    flex: 1;
    min-height: 0;
  }
  .left,
  .right {
    display: flex;
    flex-direction: column;
    gap: 10px;
    min-height: 0;
    min-width: 0;
  }
  @media (min-width: 1024px) {
    /* The cards scroll by themselves, so that the curve stays in sight. */
    .right {
      position: sticky;
      top: 12px;
      align-self: start;
      max-height: calc(100dvh - 96px);
      overflow-y: auto;
      scrollbar-width: thin;
    }
  }
  .steps {
    display: flex;
    flex-direction: column;
    flex: 1;
  }
  .scroll {
    flex: 1;
  }
  @media (max-width: 1023px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 767px) {
    .desk {
      padding: 10px 10px 84px;
    }
  }
</style>
