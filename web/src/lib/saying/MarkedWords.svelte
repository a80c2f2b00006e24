<script lang="ts">
  import { pieces } from './said';
  import type { Saying } from './saying.svelte';

  /** What was typed once more, each word marked by what became of it, questions with their answers beside their words. */
  interface Props {
    saying: Saying;
    /** What is settled already and not asked here. */
    settled?: string;
  }
  const { saying, settled }: Props = $props();

  const all = $derived(saying.said ? pieces(saying.heard, saying.said) : []);
</script>

<p class="marked" data-testid="marked">
  {#each all as piece, i (i)}
    {#if piece.ask && piece.ask.about !== settled}
      {@const ask = piece.ask}
      {@const answer = saying.answerOf(ask)}
      <span class="ask" class:answered={answer} data-about={ask.about}
        >{#if piece.text}<mark class="asked">{piece.text}</mark>{/if}<span
          class="choices"
          role="group"
          aria-label={ask.text}
        >
          {#if !answer}<span class="question">{ask.text}</span>{/if}
          {#each ask.choices as choice (choice.label)}
            <button
              type="button"
              class={['btn btn-xs', answer?.label === choice.label ? 'btn-primary' : 'btn-paper']}
              aria-pressed={answer?.label === choice.label}
              onclick={() => saying.answer(ask, choice)}>{choice.label}</button
            >
          {/each}
        </span></span
      >
    {:else if piece.what === 'read' && piece.fills !== 'words'}
      <mark class="read" title={piece.means}>{piece.text}</mark>
    {:else if piece.what === 'unread'}
      <mark class="unread" title="Not understood, and not taken over">{piece.text}</mark>
    {:else}{piece.text}{/if}
  {/each}
</p>

<style>
  .marked {
    white-space: pre-wrap;
    line-height: 1.9;
    font-size: 14.5px;
  }
  mark {
    background: none;
    color: inherit;
  }
  .read {
    border-bottom: 1.5px solid var(--color-success);
  }
  .asked {
    border-bottom: 2px solid var(--color-warning);
  }
  .answered .asked {
    border-bottom: 1.5px solid var(--color-success);
  }
  .unread {
    text-decoration: underline wavy var(--color-error) 1px;
    text-underline-offset: 4px;
  }
  .choices {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px;
    margin-inline: 6px;
    white-space: normal;
    vertical-align: baseline;
  }
  @media (max-width: 639px) {
    .choices {
      display: flex;
      margin-inline: 0;
    }
    .choices :global(.btn) {
      min-height: 40px;
      padding-inline: 14px;
    }
  }
  .question {
    font-size: 13px;
    color: var(--color-warning);
  }
</style>
