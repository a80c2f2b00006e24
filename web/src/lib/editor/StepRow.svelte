<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import { glowAt } from '$lib/chart/glow';
  import WordField from '$lib/fields/WordField.svelte';
  import { readHold, readNumber, readPace } from '$lib/fields/parse';
  import { clock, duration, hold, number } from '$lib/format';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import type { DraftStep } from './draft';
  import StepMenu from './StepMenu.svelte';

  interface Props {
    draft: ScheduleDraft;
    errors: Record<string, string>;
    step: DraftStep;
    row: number;
    selected: boolean;
    times: Preview['segments'][number] | undefined;
    late: number;
    cautions: readonly string[];
    onselect: () => void;
    onfocusrow: (row: number) => void;
  }
  const { draft, errors, step, row, selected, times, late, cautions, onselect, onfocusrow }: Props = $props();

  const unit = $derived(`°${draft.body.unit}`);
  const at = $derived(draft.stepNumber(row));
  const falls = $derived(times ? times.direction === 'down' : step.pace === 'natural');
  const verb = $derived(
    step.pace === 'natural' ? 'Power' : falls ? 'Cool' : times?.direction === 'level' ? 'Stay' : 'Climb'
  );
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
  const paceText = $derived(
    step.pace === 'full'
      ? 'full power'
      : step.pace === 'natural'
        ? 'off'
        : step.rate === null
          ? ''
          : number(step.rate)
  );
  const start = $derived(
    times?.startsAt ? clock(new Date(times.startsAt)) : times ? duration(times.startMinute) : ''
  );

  const group = (field: string) => `${step.key}.${field}`;
  function unreadable(field: string, message: string | null) {
    if (message) draft.unreadable.set(group(field), message);
    else draft.unreadable.delete(group(field));
  }
  const nudge = (value: number | null, by: number) => Math.round(((value ?? 0) + by) * 10) / 10;
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

  <div class="sentence">
    <span>{verb}</span>
    <WordField
      id="step-{step.key}-pace"
      label="Pace of step {row + 1}: {unit} an hour, full or off"
      text={paceText}
      typing={step.pace === 'rate' ? paceText : step.pace === 'full' ? 'full' : 'off'}
      placeholder="rate"
      error={said('rate') ?? said('pace')}
      read={readPace}
      onvalue={(v) => draft.editStep(row, v, group('pace'))}
      onunreadable={(m) => unreadable('pace', m)}
      onstep={(by) =>
        step.pace === 'rate' &&
        draft.editStep(row, { rate: Math.max(1, nudge(step.rate, by)) }, group('pace'))}
      onleave={() => draft.history.endGroup()}
    />
    <span
      >{step.pace === 'rate'
        ? `${unit}/h to`
        : step.pace === 'natural'
          ? 'and cools by itself to'
          : 'to'}</span
    >
    <WordField
      id="step-{step.key}-target"
      label="Target of step {row + 1}, {unit}"
      text={step.target === null ? '' : number(step.target)}
      placeholder={step.pace === 'natural' ? 'opening' : 'target'}
      error={said('target')}
      read={readNumber}
      onvalue={(target) => draft.editStep(row, { target }, group('target'))}
      onunreadable={(m) => unreadable('target', m)}
      onstep={(by) => draft.editStep(row, { target: nudge(step.target, by) }, group('target'))}
      onleave={() => draft.history.endGroup()}
    />
    {#if step.pace !== 'natural' || step.target !== null || step.holdMinutes}
      <span>{unit},{step.holdMinutes ? ' hold' : ''}</span>
      <WordField
        id="step-{step.key}-hold"
        label="Hold of step {row + 1}, minutes or hours and minutes"
        text={hold(step.holdMinutes)}
        typing={step.holdMinutes ? hold(step.holdMinutes) : ''}
        placeholder="no hold"
        error={said('holdMinutes')}
        read={readHold}
        onvalue={(holdMinutes) => draft.editStep(row, { holdMinutes }, group('hold'))}
        onunreadable={(m) => unreadable('hold', m)}
        onstep={(by) =>
          draft.editStep(row, { holdMinutes: Math.max(0, nudge(step.holdMinutes, by)) }, group('hold'))}
        onleave={() => draft.history.endGroup()}
      />
    {/if}
    {#if step.atmosphere}
      <span class="air">{step.atmosphere.replace('-', ' ')}</span>
    {/if}
  </div>

  <input
    class="why"
    aria-label="Reason of step {row + 1}"
    placeholder={selected ? 'why?' : ''}
    maxlength="200"
    value={step.reason ?? ''}
    oninput={(e) => draft.editStep(row, { reason: e.currentTarget.value || null }, group('reason'))}
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
  .sentence {
    font-size: 15.5px;
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 2px 4px;
    padding: 4px 0;
  }
  .air {
    color: var(--color-secondary);
    font-size: 13px;
    margin-left: 6px;
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
    .sentence {
      grid-column: 2 / 4;
      font-size: 16px;
      gap: 4px 3px;
    }
    .row :global(.word-field) {
      min-height: 36px;
      min-width: 2.1em;
      padding-inline: 3px;
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
