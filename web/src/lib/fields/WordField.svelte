<script lang="ts" generics="T">
  import { untrack } from 'svelte';
  import { stepped } from '$lib/draft/history.svelte';
  import type { Reading } from './parse';

  interface Props {
    id: string;
    label: string;
    /** The text of the value when nobody is typing. */
    text: string;
    /** The text to start typing from, when it differs. */
    typing?: string;
    placeholder?: string;
    /** Words of the server about this field. */
    error?: string | undefined;
    read: (text: string) => Reading<T>;
    onvalue: (value: T) => void;
    /** Told the words when the text is no value at all, and null when it is again. */
    onunreadable?: (message: string | null) => void;
    /** Arrow keys: so many steps up or down. */
    onstep?: (steps: number) => void;
    onleave?: () => void;
  }
  const {
    id,
    label,
    text,
    typing = text,
    placeholder = '',
    error,
    read,
    onvalue,
    onunreadable,
    onstep,
    onleave
  }: Props = $props();

  /** What is being typed; null when the field shows its value. Text that is no value stays. */
  let typed: string | null = $state(null);
  let complaint: string | null = $state(null);
  let input: HTMLInputElement;

  // After an undo the field shows what is there now, not what was being typed.
  $effect(() => {
    if (stepped.count === 0) return;
    untrack(() => {
      typed = null;
      if (complaint) onunreadable?.(null);
      complaint = null;
    });
  });

  const said = $derived(complaint ?? error);
  const shown = $derived(typed ?? text);

  function take(next: string) {
    typed = next;
    const reading = read(next);
    complaint = 'error' in reading ? reading.error : null;
    onunreadable?.(complaint);
    if ('value' in reading) onvalue(reading.value);
  }

  function step(event: KeyboardEvent) {
    if (!onstep || event.altKey || event.ctrlKey || event.metaKey) return;
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    typed = null;
    complaint = null;
    onunreadable?.(null);
    onstep((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 1 : 5));
  }
</script>

<input
  {id}
  bind:this={input}
  class="word-field"
  size={Math.max(2, shown.length)}
  aria-label={label}
  aria-invalid={said ? 'true' : undefined}
  aria-describedby={said ? `${id}-said` : undefined}
  title={said}
  autocomplete="off"
  autocapitalize="off"
  spellcheck="false"
  inputmode="text"
  {placeholder}
  value={shown}
  onfocus={() => {
    if (!complaint) {
      typed = typing;
      queueMicrotask(() => input.select());
    }
  }}
  oninput={(event) => take(event.currentTarget.value)}
  onkeydown={step}
  onblur={() => {
    if (!complaint) typed = null;
    onleave?.();
  }}
/>
