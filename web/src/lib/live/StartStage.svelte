<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, fieldErrors, saveKey, sayProblem, type Problem } from '$lib/api/client';
  import { person } from '$lib/api/person';
  import { clock, shortTime } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { beforeStart } from './before-start.svelte';
  import CheckList from './CheckList.svelte';
  import LinkChoice from './LinkChoice.svelte';
  import StartCautions from './StartCautions.svelte';
  import LogDialog from './LogDialog.svelte';
  import type { Run, Summary } from './types';
  import WhichProgram from './WhichProgram.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  /** Before the switch: the studio's own list, the cautions, where readings come from, now or later. */
  interface Props {
    firingId: number;
    kiln: { id: number; name: string } | null;
    startsAt: string | null;
    /** Something is still to be written down or saved. */
    ready: () => Promise<unknown>;
  }
  const { firingId, kiln, startsAt, ready }: Props = $props();

  const client = useQueryClient();
  type Link = Run['link'];
  const kilns = createQuery(kilnList);
  const isFuel = $derived(kilns.data?.find((k) => k.id === kiln?.id)?.kiln.heat === 'fuel');
  let link: Link = $state('hand');
  let speed = $state(1);
  let later = $state(false);
  let busy = $state(false);
  let taking = $state(false);
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));
  const key = crypto.randomUUID();
  type Question = { set: Summary; planned: Summary };
  let question: Question | null = $state.raw(null);
  const summary = createQuery(() => ({
    queryKey: ['summary', firingId, 'start'],
    queryFn: async () =>
      (await api.GET('/api/firings/{id}/summary', { params: { path: { id: firingId } } })).data ?? null
  }));
  const when = $derived(startsAt && Date.parse(startsAt) > Date.now() ? new Date(startsAt) : null);
  const list = beforeStart(
    () => firingId,
    () => isFuel
  );

  async function start(program: 'set' | 'planned' | null = null) {
    [busy, problem, question] = [true, null, null];
    try {
      await ready();
      const { data, error } = await api.POST('/api/firings/{id}/start', {
        params: { path: { id: firingId } },
        body: {
          link,
          key,
          speed: link === 'simulated' ? speed : null,
          startsAt: later && when ? when.toISOString() : null,
          faults: null,
          seed: null,
          program
        },
        headers: saveKey(key)
      });
      const both = error as Partial<Question> | undefined;
      if (both?.set && both.planned) return (question = { set: both.set, planned: both.planned });
      if (!data) return (problem = error as Problem);
      for (const query of ['summary', 'entries'])
        void client.invalidateQueries({ queryKey: [query, firingId] });
      client.setQueryData(['run', firingId], data);
      void client.invalidateQueries({ queryKey: ['room'] });
    } catch (error) {
      problem = { detail: sayProblem(error) };
    } finally {
      busy = false;
    }
  }
</script>

<div class="grid gap-3 md:grid-cols-2">
  <section class="card-paper p-4" data-testid="before">
    <CheckList title="Before starting" items={list.items} kind="before" {firingId} entries={list.entries} />
    <p class="text-soft mt-2 text-[13.5px]">
      The kiln maker’s manual and your studio’s rules come first. <a
        class="link"
        href="/stores/settings#check-lists">Change this list</a
      >
    </p>
  </section>
  <section class="card-paper grid content-start gap-3 p-4">
    <h2 class="text-[17px]">Start</h2>
    <StartCautions {isFuel} />
    <LinkChoice {isFuel} bind:link bind:speed />
    {#if when}
      <label class="choice"
        ><input type="checkbox" class="checkbox checkbox-primary" bind:checked={later} /><span
          >Wait until {clock(when)}</span
        ></label
      >
    {/if}
    {#if problem}<p class="text-error" role="alert" data-testid="start-problem">
        {errors['scheduleId'] ?? errors['kilnId'] ?? errors['startsAt'] ?? sayProblem(problem)}
      </p>{/if}
    {#if summary.data}
      <p class="text-[14.5px]" data-testid="starts-with">
        {#if isFuel}It is followed by the turn-up sheet of its schedule.
        {:else if summary.data.set}It follows what was read back from the controller:
          <span class="font-mono">{summary.data.set.line}</span>
        {:else}Nothing was read back from the controller yet: it is followed as planned.
          <a class="link" href="/firings/{firingId}?stage=set">Set it first</a>{/if}
      </p>
    {/if}
    {#if kiln}<MayNot
        right="run:{kiln.id}"
        why="Only who is certified for {kiln.name} starts it. An owner certifies, under Stores, People."
      />{/if}
    <div class="flex flex-wrap items-center gap-2">
      <button
        class="btn btn-primary min-h-14 flex-1 text-lg"
        disabled={busy || !kiln || !me.may(`run:${kiln.id}`)}
        onclick={() => void start()}
        data-testid="start"
      >
        {later && when
          ? `Start at ${shortTime(when)}`
          : kiln
            ? isFuel
              ? `Begin to fire ${kiln.name}`
              : `${kiln.name} is switched on: start`
            : 'Choose a kiln first'}
      </button>
      <a class="btn btn-ghost min-h-14" href="/firings/{firingId}/tag">Print the tag</a>
    </div>
    <p class="text-[14.5px]">
      It was fired already? <button class="link" onclick={() => void ready().then(() => (taking = true))}
        >Import its log</button
      >
    </p>
    <p class="text-soft text-[13.5px]" aria-live="polite">
      {#if list.ticked < list.items.length}{list.items.length - list.ticked} of {list.items.length} still to be
        ticked{:else}All ticked{/if}{person.name
        ? `, as ${person.name}`
        : '. Say who you are in Settings, and it is noted with it'}.
    </p>
  </section>
</div>

{#if question}<WhichProgram
    {firingId}
    kilnId={kiln?.id ?? null}
    {...question}
    onchoose={(program) => void start(program)}
    onclose={() => (question = null)}
  />{/if}
{#if taking}<LogDialog {firingId} {startsAt} onclose={() => (taking = false)} />{/if}

<style>
  .choice {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 44px;
    cursor: pointer;
  }
</style>
