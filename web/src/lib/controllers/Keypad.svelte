<script lang="ts">
  interface Props {
    /** Words the present question may be answered with. */
    words: readonly string[];
    onkey: (key: string) => void;
    onword: (word: string) => void;
    onnext: () => void;
  }
  /** Keys for a thumb in a glove, in place of the device's own keyboard. */
  const { words, onkey, onword, onnext }: Props = $props();

  const keys = ['1', '2', '3', '⌫', '4', '5', '6', ':', '7', '8', '9', '.', '0'];
</script>

<div class="keypad">
  {#each words as word (word)}<button type="button" class="word" onclick={() => onword(word)}>{word}</button
    >{/each}
  {#each keys as key (key)}<button
      type="button"
      aria-label={key === '⌫' ? 'Take the last one away' : undefined}
      onclick={() => onkey(key)}>{key}</button
    >{/each}
  <button type="button" class="next" onclick={onnext}>Next</button>
</div>

<style>
  .keypad {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 5px;
    padding-bottom: 8px;
  }
  .keypad button {
    height: 48px;
    border-radius: 9px;
    background: var(--color-base-200);
    border: 1px solid var(--color-base-300);
    font-size: 19px;
    touch-action: manipulation;
  }
  .keypad .word {
    font-size: 15px;
    grid-column: span 2;
  }
  .keypad .next {
    grid-column: 2 / 5;
    background: var(--color-accent);
    color: var(--color-accent-content);
    font-weight: 700;
    font-size: 16px;
  }
</style>
