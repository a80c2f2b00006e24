<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { onDestroy } from 'svelte';
  import { api, fieldErrors, sayProblem, type Problem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { plural } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import LogColumns from './LogColumns.svelte';
  import LogQuestions from './LogQuestions.svelte';
  import LogTakenReport from './LogTakenReport.svelte';
  import LogTried from './LogTried.svelte';
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
  let file: File | null = $state.raw(null);
  let seen: LogLook | null = $state.raw(null);
  let reading = $state<LogReading | null>(null);
  let sending: Sending | null = $state.raw(null);
  let share = $state(0);
  let taken: LogTaken | null = $state.raw(null);
  /** Some lines cannot be read: what would be taken, until somebody says so. */
  let tried: LogTaken | null = $state.raw(null);
  let triedAs = '';
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));
  const zones = createQuery(() => ({
    queryKey: ['zones'],
    staleTime: Infinity,
    queryFn: async () => (await api.GET('/api/studio/zones')).data ?? []
  }));
  onDestroy(() => sending?.cancel());

  async function choose(chosen: File | undefined) {
    if (!chosen) return;
    [file, seen, reading, taken, tried, problem] = [chosen, null, null, null, null, null];
    try {
      seen = await look(firingId, chosen);
      reading = {
        ...seen.reading,
        zone: display.zone,
        firstAt: seen.reading.timeIn === 'clock' ? null : startsAt
      };
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

  /** First it is only read; where all of it can be, it is taken at once. */
  async function take() {
    if (!file || !reading) return;
    const as = JSON.stringify(reading);
    const sure = tried !== null && triedAs === as;
    [problem, share] = [null, 0];
    try {
      if (!sure) {
        sending = send(firingId, file, reading, (s) => (share = s / 2), { try: true });
        const would = await sending.done;
        [tried, triedAs] = would.skipped > 0 ? [would, as] : [null, ''];
        if (tried) return;
      }
      sending = send(firingId, file, reading, (s) => (share = sure ? s : 0.5 + s / 2));
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
      <LogQuestions bind:reading asks={seen.asks} zones={zones.data ?? []} {errors} />
      {#if tried}<LogTried {tried} />{/if}
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
        onclick={() => void take()}
        >{tried ? `Import the other ${plural(tried.readings, 'reading')}` : 'Import it'}</button
      >
      <span class="text-soft ml-2 text-[13.5px]">
        {reading.time === null || reading.temperature === null
          ? 'Say which columns have the time and the temperature.'
          : 'Readings that are there already stay as they are.'}
      </span>
    {/if}
  {/if}
</Dialog>
