<script lang="ts">
  import type { Keystroke, Profile } from '$lib/api/client';
  import { handWords, keyWords, labelOf, lineTitle } from './words';

  interface Props {
    profile: Profile;
    lines: readonly Keystroke[];
    /** So many are done. */
    ticked: number;
    ontick: (index: number) => void;
  }
  /** What is keyed in, one question a line in the controller's own order; ticked with a thumb. */
  const { profile, lines, ticked, ontick }: Props = $props();

  let list: HTMLOListElement;
  /** Side by side on paper, so that it is one page. */
  const columns = $derived(
    lines.length > 105 ? 'four' : lines.length > 60 ? 'three' : lines.length > 24 ? 'two' : ''
  );

  // The line that comes next stays in sight; a card nobody has begun stays where it is.
  $effect(() => {
    if (ticked > 0) list.children[ticked]?.scrollIntoView({ block: 'nearest' });
  });

  const label = (line: Keystroke) => (line.question ? labelOf(profile, line.question) : lineTitle(line));
  const shown = (line: Keystroke) => (line.question ? line.display.slice(label(line).length + 1) : '');
  /** One line a reason: the same one is not told again and again. */
  const why = (i: number) => (lines[i]?.why !== lines[i - 1]?.why ? lines[i]?.why : null);
  const newStep = (i: number) => i > 0 && (lines[i]?.step ?? null) !== (lines[i - 1]?.step ?? null);
</script>

<ol
  bind:this={list}
  class={['card-lines', columns]}
  data-testid="entry-card"
  data-units="own"
  aria-label="What is keyed in at {profile.name}"
>
  {#each lines as line, i (i)}
    <li class={[i < ticked && 'done', i === ticked && 'now', newStep(i) && 'step']}>
      <label>
        <input
          type="checkbox"
          class="checkbox checkbox-primary"
          checked={i < ticked}
          aria-label="Done: {lineTitle(line)}"
          onchange={() => ontick(i)}
        />
        <span class="what">
          <span class="question">{label(line)}</span>
          <b class="value">{shown(line)}</b>
        </span>
        <span class="keys">
          {#each line.keys as key, k (k)}<kbd>{keyWords(key)}</kbd>{/each}
        </span>
      </label>
      {#if why(i)}<p class="why">{why(i)}</p>{/if}
    </li>
  {:else}
    <li class="text-soft p-3">Nothing can be keyed in.</li>
  {/each}
</ol>
{#if lines.some((l) => l.keys.some((k) => k.startsWith('hand ')))}
  <p class="hands-on">
    By hand before it goes: {(profile.hands ?? []).map((h) => handWords(h ?? '').toLowerCase()).join(', ')}.
  </p>
{/if}

<style>
  .card-lines {
    display: grid;
  }
  li {
    border-top: 1px solid var(--color-base-300);
  }
  li {
    scroll-margin: 130px 0 150px;
  }
  li:first-child {
    border-top: 0;
  }
  .step {
    border-top: 2px solid color-mix(in oklab, var(--color-base-content) 30%, transparent);
  }
  label {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    align-items: center;
    gap: 12px;
    padding: 5px 12px;
    min-height: 48px;
    cursor: pointer;
  }
  .what {
    display: flex;
    align-items: baseline;
    gap: 10px;
    flex-wrap: wrap;
  }
  .question {
    font-size: 16px;
  }
  .value {
    font-size: 23px;
    font-family: var(--font-mono);
    font-weight: 700;
  }
  .keys {
    display: flex;
    flex-wrap: wrap;
    justify-content: flex-end;
    gap: 3px;
    max-width: 270px;
  }
  kbd {
    font-family: var(--font-sans);
    font-size: 13.5px;
    padding: 1px 7px;
    border-radius: 6px;
    border: 1px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
    background: var(--color-base-200);
    white-space: nowrap;
  }
  .now {
    background: var(--color-accent);
    color: var(--color-accent-content);
  }
  .now kbd {
    background: transparent;
    border-color: currentColor;
  }
  .done .what {
    opacity: 0.62;
  }
  .why,
  .hands-on {
    padding: 0 12px 6px 48px;
    font-size: 13px;
    color: var(--color-soft);
  }
  .now .why {
    color: inherit;
  }
  .hands-on {
    display: none;
  }
  @media screen and (max-width: 767px) {
    label {
      grid-template-columns: auto minmax(0, 1fr);
      row-gap: 2px;
    }
    .keys {
      grid-column: 2;
      justify-content: flex-start;
      max-width: none;
    }
  }
  @media print {
    /* However long it is, it is one page. */
    .two,
    .three,
    .four {
      display: block;
      column-gap: 20px;
    }
    .two {
      columns: 2;
    }
    .three {
      columns: 3;
    }
    .four {
      columns: 4;
    }
    .three {
      zoom: 0.7;
    }
    .four {
      zoom: 0.6;
    }
    .three .keys,
    .four .keys {
      display: none;
    }
    .two .keys {
      max-width: 130px;
    }
    li {
      break-inside: avoid;
    }
    label {
      min-height: 0;
      padding: 2.5px 4px;
      gap: 10px;
    }
    .value {
      font-size: 17px;
    }
    .question {
      font-size: 14px;
    }
    .now {
      background: none;
      color: inherit;
    }
    .done .what {
      opacity: 1;
    }
    .hands-on {
      display: block;
      padding: 6px 4px;
    }
    .why {
      padding: 0 4px 2px 40px;
      font-size: 11px;
    }
    kbd {
      background: none;
      font-size: 12px;
    }
  }
</style>
