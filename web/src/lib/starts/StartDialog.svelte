<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import MomentField from '$lib/fields/MomentField.svelte';
  import { clock, money } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { StartTask } from './start-task';
  import StartBars from './StartBars.svelte';
  import { saveWatchTimes } from './watch-times';

  interface Props {
    asked: StartTask;
    /** The schedule in shorthand: another one is another question. */
    line: string;
    /** When it is to be open, where somebody said. */
    by?: string | null;
    ontake: (at: Date) => void;
    onclose: () => void;
  }
  const { asked, line, by = null, ontake, onclose }: Props = $props();

  // svelte-ignore state_referenced_locally
  let openBy = $state<string | null>(by);

  const starts = createQuery(() => ({
    queryKey: ['starts', line, asked.kilnId, JSON.stringify(asked.load), openBy],
    gcTime: 0,
    queryFn: async () => {
      const { data, error } = await api.POST('/api/starts', {
        body: { ...asked, openBy }
      });
      if (!data) throw error;
      return data;
    }
  }));
</script>

<Dialog title="When to start" wide {onclose}>
  <p class="text-soft mb-2 text-sm">
    Every start of the next seven days, five minutes apart: first the studio's rule, then the cost, then the
    comfort of those who watch. <a class="link" href="/stores/clock">Hours, rule and prices</a>
  </p>
  <div class="mb-3 flex flex-wrap items-center gap-2 text-sm">
    It has to be open by
    <MomentField id="open-by" label="Open by" moment={openBy} onvalue={(moment) => (openBy = moment)} />
    {#if openBy}<button class="btn btn-ghost btn-xs" onclick={() => (openBy = null)}>no matter when</button
      >{/if}
  </div>
  {#if starts.isError}
    <p class="text-error" role="alert">{sayProblem(starts.error)}</p>
  {:else if starts.data}
    {@const found = starts.data}
    {#if found.starts.length === 0}
      <p class="border-warning border-l-4 py-1 pl-3" data-testid="no-start">{found.whyNone}</p>
    {:else}
      <StartBars {found} />
      <ol class="mt-3 grid gap-2" data-testid="starts">
        {#each found.starts as start, i (start.at)}
          <li class="border-base-300 flex flex-wrap items-start gap-x-4 gap-y-1 rounded-lg border px-3 py-2">
            <div class="min-w-40">
              <b class="text-base">{clock(new Date(start.at))}</b>
              <div class="text-soft text-[13px]">
                top {clock(new Date(start.topAt))}<br />open {clock(new Date(start.openAt))}
              </div>
            </div>
            <p class="min-w-48 flex-1 text-[13.5px]">
              {#if start.cost !== null && start.cost !== undefined}<b>{money(start.cost, found.currency)}.</b
                >{/if}
              {start.why.join(' ')}
            </p>
            <div class="flex gap-1">
              <button class="btn btn-xs btn-paper" onclick={() => void saveWatchTimes(asked, start.at)}
                >Watch times</button
              >
              <button
                class={['btn btn-xs', i === 0 ? 'btn-primary' : 'btn-paper']}
                onclick={() => {
                  ontake(new Date(start.at));
                  onclose();
                }}>Take it</button
              >
            </div>
          </li>
        {/each}
      </ol>
      <p class="text-soft mt-2 text-[12.5px]">
        {found.possible} of {found.tried} starts meet every rule. Times are those of {found.timeZone}.
        {#if asked.kilnId === null}Choose a kiln to include its cost.{/if}
      </p>
    {/if}
  {/if}
</Dialog>
