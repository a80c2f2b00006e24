<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import WordField from '$lib/fields/WordField.svelte';
  import { readHold, readNumber, readPace } from '$lib/fields/parse';
  import { hold, number } from '$lib/format';
  import { airNames } from '$lib/fuel/words';
  import type { DraftStep } from './draft';
  import type { ScheduleDraft } from './schedule-draft.svelte';

  /** A step as a sentence; its pace, target and hold are fields. */
  interface Props {
    draft: ScheduleDraft;
    errors: Record<string, string>;
    step: DraftStep;
    row: number;
    times: Preview['segments'][number] | undefined;
    falls: boolean;
    /** A fuel kiln is chosen: its air can be. */
    burns: boolean;
  }
  const { draft, errors, step, row, times, falls, burns }: Props = $props();

  const unit = $derived(`°${draft.body.unit}`);
  const at = $derived(draft.stepNumber(row));
  const verb = $derived(
    step.pace === 'natural'
      ? burns
        ? 'Burners'
        : 'Power'
      : falls
        ? 'Cool'
        : times?.direction === 'level'
          ? 'Stay'
          : 'Climb'
  );
  const said = (field: string) => (at < 0 ? undefined : errors[`segments[${at}].${field}`]);
  const paceText = $derived(
    step.pace === 'full'
      ? 'full power'
      : step.pace === 'natural'
        ? 'off'
        : step.rate === null
          ? ''
          : number(step.rate)
  );

  const group = (field: string) => `${step.key}.${field}`;
  function unreadable(field: string, message: string | null) {
    if (message) draft.unreadable.set(group(field), message);
    else draft.unreadable.delete(group(field));
  }
  const nudge = (value: number | null, by: number) => Math.round(((value ?? 0) + by) * 10) / 10;
</script>

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
      step.pace === 'rate' && draft.editStep(row, { rate: Math.max(1, nudge(step.rate, by)) }, group('pace'))}
    onleave={() => draft.history.endGroup()}
  />
  <span
    >{step.pace === 'rate' ? `${unit}/h to` : step.pace === 'natural' ? 'and cools by itself to' : 'to'}</span
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
  {#if step.atmosphere || (burns && step.pace !== 'natural')}
    <span>in</span>
    <select
      class="air"
      aria-label="Air of step {row + 1}"
      value={step.atmosphere ?? ''}
      onchange={(e) =>
        draft.editStep(row, { atmosphere: (e.currentTarget.value || null) as DraftStep['atmosphere'] })}
    >
      <option value="">any air</option>
      {#each Object.entries(airNames) as [air, name] (air)}<option value={air}>{name}</option>{/each}
    </select>
  {/if}
</div>

<style>
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
    font-size: 14.5px;
    background: none;
    border: 0;
    border-bottom: 1px dotted currentColor;
    padding: 0 2px;
    cursor: pointer;
    field-sizing: content;
  }
  @media (max-width: 767px) {
    .sentence {
      grid-column: 2 / 4;
      font-size: 16px;
      gap: 4px 3px;
    }
    .sentence :global(.word-field) {
      min-height: 36px;
      min-width: 2.1em;
      padding-inline: 3px;
    }
  }
</style>
