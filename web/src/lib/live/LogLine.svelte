<script lang="ts">
  import type { Live, Log, Run } from './types';

  /** What stands under the curve of a log: replay, readings, gaps, the part that is looked at, files out and in. */
  interface Props {
    run: Run;
    live: Live;
    log: Log | null;
    over: boolean;
    isPart: boolean;
    replaying: boolean;
    onreplay: () => void;
    onpart: (part: { from: number; to: number } | null) => void;
    onimport: () => void;
  }
  const { run, live, log, over, isPart, replaying, onreplay, onpart, onimport }: Props = $props();
  const last = $derived(live.lastMinute ?? 0);
</script>

<p class="text-soft flex flex-wrap items-center gap-x-3 text-[13.5px]">
  {#if over}<button class="link" onclick={onreplay}>{replaying ? 'End the replay' : 'Replay'}</button>{/if}
  {#if log}<span>{log.readings.toLocaleString('en-GB')} readings</span>{/if}
  {#if live.gaps.length > 0}<span
      >{live.gaps.length === 1 ? 'one long gap' : `${live.gaps.length} long gaps`}</span
    >{/if}
  {#if isPart}<button class="link" onclick={() => onpart(null)}>Whole firing</button>
  {:else if last > 60}<button
      class="link"
      onclick={() => onpart({ from: Math.max(0, last - 60), to: last + 5 })}>Last hour</button
    >{/if}
  <a class="link" href="/api/firings/{run.firingId}/log?points=20000" download="firing-{run.firingId}.json"
    >Download readings</a
  >
  {#if run.link !== 'simulated'}<button class="link" onclick={onimport}>Import a log file</button>{/if}
</p>
