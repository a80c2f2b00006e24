<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onDestroy } from 'svelte';
  import { sayProblem } from '$lib/api/client';
  import { clock } from '$lib/format';
  import { replayOf } from './queries';
  import type { Live, Run } from './types';
  import { atMinute } from './words';

  /** A firing gone through again: what was told at each moment, its forecast beside what really came. */
  interface Props {
    run: Run;
    onmoment: (live: Live | null) => void;
  }
  const { run, onmoment }: Props = $props();

  const reports = createQuery(() => replayOf(run.firingId));
  const last = $derived((reports.data?.length ?? 1) - 1);
  let at = $state(0);
  let timer: ReturnType<typeof setInterval> | undefined = $state.raw();
  const stepMs = 150;

  $effect(() => onmoment(reports.data?.[at] ?? null));

  function play() {
    if (timer) return stop();
    if (at >= last) at = 0;
    timer = setInterval(() => {
      if (at < last) at += 1;
      else stop();
    }, stepMs);
  }

  function stop() {
    clearInterval(timer);
    timer = undefined;
  }

  onDestroy(() => {
    stop();
    onmoment(null);
  });
</script>

<div class="flex flex-wrap items-center gap-3" data-testid="replay">
  {#if reports.isPending}
    <p class="text-soft" aria-live="polite">Going through it again …</p>
  {:else if reports.isError}
    <p role="alert">
      {sayProblem(reports.error)} <button class="link" onclick={() => reports.refetch()}>Try again</button>
    </p>
  {:else if reports.data.length === 0}
    <p class="text-soft">Nothing was read of this firing.</p>
  {:else}
    <button class="btn btn-paper" onclick={play}>{timer ? 'Pause' : 'Play'}</button>
    <input
      type="range"
      class="moment min-w-40 flex-1"
      min="0"
      max={last}
      aria-label="Moment of the firing"
      aria-valuetext={clock(atMinute(run.startsAt, reports.data[at]?.minute ?? 0))}
      bind:value={at}
      oninput={stop}
    />
    <time class="min-w-24 font-semibold">{clock(atMinute(run.startsAt, reports.data[at]?.minute ?? 0))}</time>
  {/if}
</div>

<style>
  .moment {
    accent-color: var(--color-primary);
    min-height: 44px;
  }
</style>
