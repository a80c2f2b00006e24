<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { readLength, sayLength } from './measure';

  /** A length in the studio's unit, taken when it is left; what is no length goes on as no number, and is minded where it is kept. */
  interface Props {
    label: string;
    /** mm. */
    value: number | null | undefined;
    width?: string;
    invalid?: boolean;
    onvalue: (mm: number | null) => void;
  }
  const { label, value, width = 'w-16', invalid = false, onvalue }: Props = $props();

  let complaint: string | null = $state(null);

  function take(text: string) {
    const read = readLength(text.replace(',', '.'), display.length);
    complaint = 'error' in read ? read.error : null;
    if ('value' in read) onvalue(read.value);
  }
</script>

<input
  class={['input input-sm text-right', width]}
  inputmode={display.length === 'mm' ? 'decimal' : 'text'}
  aria-label="{label}, {display.length}"
  aria-invalid={complaint || invalid ? 'true' : undefined}
  title={complaint ?? undefined}
  value={value == null ? '' : sayLength(value, display.length)}
  onchange={(e) => take(e.currentTarget.value)}
/>
