<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import { glowAt } from '$lib/chart/glow';
  import { clock, duration, hold } from '$lib/format';
  import type { DraftStep } from './draft';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import StepMenu from './StepMenu.svelte';
  import StepSentence from './StepSentence.svelte';

  interface Props {
    draft: ScheduleDraft;
    errors: Record<string, string>;
    step: DraftStep;
    row: number;
    selected: boolean;
    times: Preview['segments'][number] | undefined;
    late: number;
    burns: boolean;
    cautions: readonly string[];
    onselect: () => void;
    onfocusrow: (row: number) => void;
  }
  const { draft, errors, step, row, selected, times, late, burns, cautions, onselect, onfocusrow }: Props =
    $props();

  const at = $derived(draft.stepNumber(row));
  const falls = $derived(times ? times.direction === 'down' : step.pace === 'natural');
  const said = (field: string) => (at < 0 ? undefined : errors[`segments[${at}].${field}`]);
  const words = $derived(
    [
      ...new Set([
        said('pace'),
        said('rate'),
        said('target'),
        said('holdMinutes'),
        said('reason'),
        said('atmosphere')
      ])
    ].filter((w) => w !== undefined)
  );
  const unread = $derived(
    ['pace', 'target', 'hold']
      .map((f) => draft.unreadable.get(`${step.key}.${f}`))
      .filter((w) => w !== undefined)
  );
  const start = $derived(
    times?.startsAt ? clock(new Date(times.startsAt)) : times ? duration(times.startMinute) : ''
  );
</script>

<div
  class="row"
  class:selected
  role="group"
  aria-label="Step {row + 1}"
  data-testid="step"
  onfocusin={onselect}
>
  <span class="n" aria-hidden="true">{row + 1}</span>
  <svg class="glyph" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
    <path
      d={falls ? 'M3 4 L12 15 H17' : times?.direction === 'level' ? 'M3 10 H17' : 'M3 16 L12 5 H17'}
      stroke={falls ? 'var(--color-secondary)' : glowAt(step.target ?? 20, draft.body.unit)}
    />
  </svg>

  <StepSentence {draft} {errors} {step} {row} {times} {falls} {burns} />

  <input
    class="why"
    aria-label="Reason of step {row + 1}"
    placeholder={selected ? 'why?' : ''}
    maxlength="200"
    value={step.reason ?? ''}
    oninput={(e) => draft.editStep(row, { reason: e.currentTarget.value || null }, `${step.key}.reason`)}
    onblur={() => draft.history.endGroup()}
  />

  <div class="when" title={times ? `${duration(times.startMinute)} after the start` : undefined}>
    {#if times}
      <b>{duration(times.rampMinutes + times.holdMinutes)}</b>
      <span>from {start}</span>
      {#if late >= 5}<span class="late" data-testid="step-late">{hold(Math.round(late))} late</span>{/if}
    {/if}
  </div>

  <StepMenu {draft} {step} {row} {onfocusrow} />

  {#if words.length || unread.length}
    <ul class="said text-error" id="step-{step.key}-said" role="alert">
      {#each [...words, ...unread] as word (word)}<li>{word}</li>{/each}
    </ul>
  {:else if selected && cautions.length}
    <p class="said caution">{cautions.join(' ')}</p>
  {/if}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 22px 26px minmax(0, 1fr) minmax(90px, 170px) 112px 32px;
    align-items: center;
    column-gap: 4px;
    padding: 0 8px 0 14px;
    min-height: 43px;
    border-bottom: 1px solid color-mix(in oklab, var(--color-base-300) 65%, transparent);
  }
  .selected {
    background: color-mix(in oklab, var(--color-primary) 7%, var(--color-base-100));
    box-shadow: inset 3px 0 0 var(--color-primary);
  }
  .n {
    color: var(--color-soft);
    font-weight: 700;
  }
  .glyph path {
    fill: none;
    stroke-width: 2.6;
    stroke-linecap: round;
  }
  .why {
    min-width: 0;
    color: var(--color-soft);
    font-size: 13.5px;
    background: none;
    border: 0;
    padding: 4px;
    border-radius: 5px;
    text-overflow: ellipsis;
  }
  .why::placeholder {
    color: inherit;
    opacity: 1;
    font-style: italic;
  }
  .when {
    text-align: right;
    white-space: nowrap;
    line-height: 1.15;
    font-size: 13.5px;
  }
  .when span {
    display: block;
    font-size: 12px;
    color: var(--color-soft);
  }
  .when .late {
    color: var(--color-warning);
    font-weight: 600;
  }
  .said {
    grid-column: 3 / -1;
    font-size: 13px;
    padding-bottom: 7px;
  }
  .caution {
    color: var(--color-soft);
  }
  @media (max-width: 767px) {
    .row {
      grid-template-columns: 20px minmax(0, 1fr) auto 40px;
      padding: 6px 2px 6px 10px;
      min-height: 56px;
    }
    .glyph {
      display: none;
    }
    .row :global(.btn) {
      grid-column: 4;
      grid-row: 1;
      min-height: 44px;
    }
    .why {
      grid-column: 2;
      grid-row: 2;
      font-size: 16px;
    }
    .when {
      grid-column: 3;
      grid-row: 2;
      display: flex;
      gap: 6px;
      align-items: baseline;
    }
    .said {
      grid-column: 2 / -1;
    }
  }
</style>
