<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { onDestroy } from 'svelte';
  import { api, fieldErrors, sayProblem, type Problem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import MomentField from '$lib/fields/MomentField.svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import LogColumns from './LogColumns.svelte';
  import LogTakenReport from './LogTakenReport.svelte';
  import { look, send, type Sending } from './log-upload';
  import type { LogLook, LogReading, LogTaken } from './types';

  /** A logger's file, imported after the firing: its columns guessed, shown and confirmed. */
  interface Props {
    firingId: number;
    /** When the firing began, where that is known. */
    startsAt: string | null;
    onclose: () => void;
  }
  const { firingId, startsAt, onclose }: Props = $props();

  const client = useQueryClient();
  const timeKinds = [
    ['dates', 'days and times'],
    ['clock', 'times of day'],
    ['hours', 'hours since the first reading'],
    ['minutes', 'minutes since the first reading'],
    ['seconds', 'seconds since the first reading'],
    ['epoch', 'seconds since 1970']
  ] as const;

  let file: File | null = $state.raw(null);
  let seen: LogLook | null = $state.raw(null);
  let reading = $state<LogReading | null>(null);
  let sending: Sending | null = $state.raw(null);
  let share = $state(0);
  let taken: LogTaken | null = $state.raw(null);
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));
  const zones = createQuery(() => ({
    queryKey: ['zones'],
    staleTime: Infinity,
    queryFn: async () => (await api.GET('/api/studio/zones')).data ?? []
  }));
  const counts = $derived(['hours', 'minutes', 'seconds'].includes(reading?.timeIn ?? ''));
  onDestroy(() => sending?.cancel());

  async function choose(chosen: File | undefined) {
    if (!chosen) return;
    [file, seen, reading, taken, problem] = [chosen, null, null, null, null];
    try {
      seen = await look(firingId, chosen);
      reading = { ...seen.reading, zone: display.zone, firstAt: startsAt };
    } catch (error) {
      problem = error as Problem;
    }
  }

  /** Only now: what shows this dialog may be another page once the firing is known to have begun. */
  function close() {
    if (taken) {
      for (const key of ['run', 'live', 'log', 'entries'])
        void client.invalidateQueries({ queryKey: [key, firingId] });
      for (const key of ['room', 'runs']) void client.invalidateQueries({ queryKey: [key] });
    }
    onclose();
  }

  async function take() {
    if (!file || !reading) return;
    [problem, share] = [null, 0];
    sending = send(firingId, file, reading, (s) => (share = s));
    try {
      taken = await sending.done;
    } catch (error) {
      if (!(error instanceof DOMException)) problem = error as Problem;
    } finally {
      sending = null;
    }
  }

  const size = (bytes: number) =>
    bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
</script>

<Dialog title="Import a log" wide onclose={close}>
  {#if taken}
    <LogTakenReport {taken} />
    <button class="btn btn-primary mt-4" onclick={close}>Done</button>
  {:else}
    <label class="block">
      <span class="mb-1 block font-semibold">The logger’s file</span>
      <input
        type="file"
        class="file-input w-full"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        disabled={sending !== null}
        onchange={(e) => void choose(e.currentTarget.files?.[0])}
      />
    </label>
    {#if seen && reading}
      <p class="mt-3 mb-1">
        This is how it begins{file ? ` (${size(file.size)})` : ''}. Is each column what it says?
      </p>
      <LogColumns {seen} bind:reading />
      <div class="mt-3 grid gap-2 sm:grid-cols-2">
        <label class="ask"
          >Times are <select class="select select-sm w-auto" bind:value={reading.timeIn}
            >{#each timeKinds as [kind, name] (kind)}<option value={kind}>{name}</option>{/each}</select
          ></label
        >
        {#if reading.timeIn === 'dates'}
          <label class="ask"
            >Dates begin with the <select class="select select-sm w-auto" bind:value={reading.dates}
              ><option value="day-first">day</option><option value="month-first">month</option></select
            ></label
          >
        {/if}
        <label class="ask"
          >Degrees <select class="select select-sm w-auto" bind:value={reading.unit}
            ><option value="C">°C</option><option value="F">°F</option></select
          ></label
        >
        {#if reading.power !== null}
          <label class="ask"
            >Power <select class="select select-sm w-auto" bind:value={reading.powerIn}
              ><option value="percent">0 to 100 %</option><option value="share">0 to 1</option></select
            ></label
          >
        {/if}
        {#if reading.timeIn === 'dates' || reading.timeIn === 'clock'}
          <label class="ask"
            >Clock of <input class="input input-sm w-44" list="log-zones" bind:value={reading.zone} /></label
          >
          <datalist id="log-zones"
            >{#each zones.data ?? [] as zone (zone)}<option value={zone}></option>{/each}</datalist
          >
        {/if}
        {#if counts || reading.timeIn === 'clock'}
          <div class="ask">
            First reading <MomentField
              id="log-first"
              label="First reading"
              moment={reading.firstAt ?? null}
              error={errors['firstAt']}
              onvalue={(moment) => reading && (reading.firstAt = moment)}
            />
          </div>
        {/if}
      </div>
    {/if}
    {#if problem}<p class="text-error mt-2" role="alert" data-testid="log-problem">
        {Object.values(errors)[0] ?? sayProblem(problem)}
      </p>{/if}
    {#if sending}
      <div class="mt-4" aria-live="polite">
        <progress class="progress progress-primary w-full" max="1" value={share < 1 ? share : undefined}
        ></progress>
        <p class="flex items-center justify-between">
          <span
            >{share < 1 ? `${Math.round(share * 100)} % sent` : 'Read and followed, minute by minute …'}</span
          >
          <button class="btn btn-ghost" onclick={() => sending?.cancel()}>Cancel</button>
        </p>
      </div>
    {:else if reading}
      <button
        class="btn btn-primary mt-4"
        disabled={reading.time === null || reading.temperature === null}
        onclick={() => void take()}>Import it</button
      >
      <span class="text-soft ml-2 text-[13.5px]">
        {reading.time === null || reading.temperature === null
          ? 'Say which columns have the time and the temperature.'
          : 'Readings that are there already stay as they are.'}
      </span>
    {/if}
  {/if}
</Dialog>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    min-height: 40px;
  }
</style>
