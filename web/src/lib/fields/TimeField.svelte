<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { readTime, sayTime } from './parse';
  import WordField from './WordField.svelte';

  interface Props {
    id: string;
    label: string;
    /** "21:05". */
    time: string;
    error?: string | undefined;
    onvalue: (time: string) => void;
  }
  /** A time of day, shown and typed on the studio's clock. */
  const { id, label, time, error, onvalue }: Props = $props();
</script>

<WordField {id} {label} text={time ? sayTime(time, display.clock) : ''} {error} read={readTime} {onvalue} />
