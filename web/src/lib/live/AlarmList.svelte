<script lang="ts">
  import { onScale } from '$lib/said-units';
  import type { Snippet } from 'svelte';
  import { shortTime } from '$lib/format';
  import { ofTheCut, toldOnce } from './cut';
  import { outbox } from './outbox.svelte';
  import type { Alarm } from './types';
  import { atMinute } from './words';

  /** What is wrong, what it means and what to do; seen by somebody, with a word. */
  interface Props {
    firingId: number;
    alarms: readonly Alarm[];
    startsAt: string;
    /** Nothing is to be done any more: they are told, and ask for nothing. */
    over?: boolean;
    /** What to do after a power cut, within its card. */
    aftercut?: Snippet | undefined;
  }
  const { firingId, alarms: all, startsAt, over = false, aftercut }: Props = $props();
  const alarms = $derived(toldOnce(all));

  const order = { danger: 3, warn: 2, ask: 1, note: 0 } as const;
  const names = { danger: 'Danger', warn: 'Warning', ask: 'Please look', note: 'Note' } as const;
  /** Over, and nobody has seen it: it stays until somebody has. */
  const isUnseen = (a: Alarm) => a.acknowledgedBy === null && (a.weight === 'danger' || a.weight === 'warn');
  const now = $derived(
    over
      ? []
      : alarms
          .filter((a) => a.until === null || isUnseen(a))
          .toSorted(
            (a, b) => Number(a.until !== null) - Number(b.until !== null) || order[b.weight] - order[a.weight]
          )
  );
  /** "since 02:09", "at 02:09", "from 02:09 to 02:20, over". */
  function spanOf(alarm: Alarm): string {
    const at = (minute: number) => shortTime(atMinute(startsAt, minute));
    if (alarm.until === null) return `since ${at(alarm.since)}`;
    return at(alarm.since) === at(alarm.until)
      ? `at ${at(alarm.since)}`
      : `from ${at(alarm.since)} to ${at(alarm.until)}, over`;
  }
  const past = $derived(alarms.filter((a) => !now.includes(a)));
  let notes: Record<string, string> = $state({});

  function seen(alarm: Alarm) {
    for (const { id } of [alarm, ...ofTheCut(alarm, all)])
      void outbox.note(firingId, {
        kind: 'acknowledged',
        subject: id,
        text: notes[alarm.id]?.trim() || null,
        at: null,
        celsius: null
      });
  }
</script>

{#each now as alarm (`${alarm.id}${alarm.since}`)}
  <section
    class={['alarm', alarm.weight, alarm.acknowledgedBy && 'seen']}
    data-testid="alarm"
    id="alarm-{alarm.id}"
    data-alarm={alarm.id}
    role={alarm.acknowledgedBy ? undefined : 'alert'}
  >
    <p>
      <b>{names[alarm.weight]}</b>
      <time>{spanOf(alarm)}</time>
    </p>
    <p class="text">{onScale(alarm.text)}</p>
    <p class="evidence">{onScale(alarm.evidence)}</p>
    {#if alarm.id === 'power-cut' && aftercut}{@render aftercut()}{/if}
    {#if alarm.acknowledgedBy}
      <p class="evidence">Seen by {alarm.acknowledgedBy}{alarm.note ? `: ${alarm.note}` : ''}.</p>
    {:else if alarm.id !== 'steam-look'}
      <form
        class="flex gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          seen(alarm);
        }}
      >
        <input
          class="input min-w-0 flex-1"
          maxlength="200"
          aria-label="What was found"
          placeholder="What did you find? (optional)"
          bind:value={notes[alarm.id]}
        />
        <button class="btn btn-neutral">I have seen it</button>
      </form>
    {/if}
  </section>
{/each}
{#if past.length > 0}
  <details class="text-[14px]">
    <summary class="text-soft cursor-pointer"
      >{over
        ? past.length === 1
          ? 'One alarm while it was fired'
          : `${past.length} alarms while it was fired`
        : past.length === 1
          ? 'One alarm is over'
          : `${past.length} alarms are over`}</summary
    >
    <ul class="mt-1">
      {#each past as alarm (`${alarm.id}${alarm.since}`)}
        <li class="py-0.5">
          <time>{shortTime(atMinute(startsAt, alarm.since))}</time>
          {onScale(alarm.text)} <span class="text-soft">{onScale(alarm.evidence)}</span>
        </li>
      {/each}
    </ul>
  </details>
{/if}

<style>
  .alarm {
    border-radius: 12px;
    padding: 10px 14px;
    display: grid;
    gap: 5px;
    border-left: 8px solid;
    background: var(--color-base-100);
  }
  .danger {
    border-color: #d8341c;
    background: color-mix(in oklab, #d8341c 18%, var(--color-base-100));
  }
  .warn {
    border-color: #d08a1e;
    background: color-mix(in oklab, #d08a1e 16%, var(--color-base-100));
  }
  .ask,
  .note {
    border-color: #4c86b8;
    background: color-mix(in oklab, #4c86b8 14%, var(--color-base-100));
  }
  .text {
    font-size: 17px;
    font-weight: 600;
    line-height: 1.3;
  }
  .evidence {
    font-size: 14px;
  }
  .seen {
    opacity: 0.85;
  }
  .alarm .btn {
    min-height: 48px;
  }
</style>
