<script lang="ts">
  import Down from '@lucide/svelte/icons/arrow-down';
  import Up from '@lucide/svelte/icons/arrow-up';
  import Remove from '@lucide/svelte/icons/x';
  import type { Profile } from '$lib/api/client';
  import { boundOf, listOf, listText, numberOf, pairsOf, pairsText } from './profile-text';

  type Question = NonNullable<NonNullable<Profile['ask']>[number]>;
  interface Props {
    question: Question;
    /** Messages by the question's fields. */
    errors: Record<string, string>;
    first: boolean;
    last: boolean;
    onedit: (change: Partial<Question>) => void;
    onmove: (by: number) => void;
    onremove: () => void;
  }
  /** One question: what the display says, how it is answered, what it takes. */
  const { question, errors, first, last, onedit, onmove, onremove }: Props = $props();

  const ids = [
    'slot',
    'count',
    'rate',
    'time',
    'target',
    'hold',
    'cone',
    'speed',
    'hours',
    'dry',
    'cool',
    'alarm',
    'delay'
  ];
  const entries = {
    digits: 'digits',
    pad: 'a number pad',
    arrows: 'arrows',
    buttons: '+ and −',
    list: 'a list',
    dial: 'a dial'
  };
  const formats = ['whole', 'tenths', 'H.MM', 'HH:MM', 'min', 'h.t', 'cone', 'word'];
  const isWord = $derived(question.format === 'word');
  const isCone = $derived(question.format === 'cone');
</script>

{#snippet text(
  field: keyof Question,
  label: string,
  value: string,
  take: (text: string) => Partial<Question>,
  width = 'w-14'
)}
  <label class="grid text-[12.5px]"
    ><span class="text-soft">{label}</span>
    <input
      class={['input input-sm', width]}
      autocomplete="off"
      {value}
      aria-invalid={errors[field] ? 'true' : undefined}
      onchange={(e) => onedit(take(e.currentTarget.value))}
    /></label
  >
{/snippet}

<li class="card-paper px-3 py-2" data-testid="question">
  <div class="flex flex-wrap items-end gap-2">
    <label class="grid text-[12.5px]"
      ><span class="text-soft">Asks for</span>
      <select
        class="select select-sm w-24"
        value={question.id}
        aria-invalid={errors['id'] ? 'true' : undefined}
        onchange={(e) => onedit({ id: e.currentTarget.value })}
      >
        {#if !ids.includes(question.id ?? '')}<option value={question.id}>choose</option>{/if}
        {#each ids as id (id)}<option value={id}>{id}</option>{/each}
      </select></label
    >
    {@render text('label', 'Display says, # step', question.label ?? '', (label) => ({ label }), 'w-32')}
    <label class="grid text-[12.5px]"
      ><span class="text-soft">Answered with</span>
      <select
        class="select select-sm w-28"
        value={question.entry}
        aria-invalid={errors['entry'] ? 'true' : undefined}
        onchange={(e) => onedit({ entry: e.currentTarget.value })}
      >
        {#each Object.entries(entries) as [entry, name] (entry)}<option value={entry}>{name}</option>{/each}
      </select></label
    >
    <label class="grid text-[12.5px]"
      ><span class="text-soft">Shown as</span>
      <select
        class="select select-sm w-24"
        value={question.format}
        aria-invalid={errors['format'] ? 'true' : undefined}
        onchange={(e) => onedit({ format: e.currentTarget.value })}
      >
        {#each formats as format (format)}<option value={format}>{format}</option>{/each}
      </select></label
    >
    {#if isWord}
      {@render text(
        'choices',
        'Words to choose from',
        listText(question.choices),
        (t) => ({ choices: listOf(t) }),
        'w-60'
      )}
    {:else}
      {@render text('min', 'From', String(question.min ?? ''), (t) => ({ min: boundOf(t, isCone) }))}
      {@render text('max', 'To', String(question.max ?? ''), (t) => ({ max: boundOf(t, isCone) }))}
      {@render text(
        'words',
        'Words beside numbers',
        pairsText(question.words),
        (t) => ({ words: pairsOf(t) }),
        'w-32'
      )}
    {/if}
  </div>
  <div class="flex items-start">
    <details class="flex-1 text-[12.5px]">
      <summary class="text-soft cursor-pointer">More</summary>
      <div class="flex flex-wrap items-end gap-3 pt-1">
        {#if !isCone && !isWord}{@render text(
            'step',
            'By',
            String(question.step ?? ''),
            (t) => ({ step: numberOf(t) }),
            'w-12'
          )}{/if}

        {@render text(
          'places',
          'Digits at most',
          String(question.places ?? ''),
          (t) => ({ places: numberOf(t) }),
          'w-14'
        )}
        {@render text(
          'unless',
          'Not asked when (rate pass)',
          pairsText(question.unless),
          (t) => ({ unless: pairsOf(t) }),
          'w-36'
        )}
        <label
          ><input
            type="checkbox"
            class="checkbox checkbox-xs"
            checked={question.shared === true}
            onchange={(e) => onedit({ shared: e.currentTarget.checked || null })}
          /> the same for all programs</label
        >
      </div>
    </details>
    <button
      type="button"
      class="btn btn-ghost btn-xs btn-square"
      aria-label="Ask earlier"
      disabled={first}
      onclick={() => onmove(-1)}><Up size={15} /></button
    >
    <button
      type="button"
      class="btn btn-ghost btn-xs btn-square"
      aria-label="Ask later"
      disabled={last}
      onclick={() => onmove(1)}><Down size={15} /></button
    >
    <button
      type="button"
      class="btn btn-ghost btn-xs btn-square"
      aria-label="Remove this question"
      onclick={onremove}><Remove size={15} /></button
    >
  </div>
  {#each Object.values(errors) as message (message)}<p class="text-error text-[13px]" role="alert">
      {message}
    </p>{/each}
</li>
