<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { readLength, readMass, sayLength, sayMass } from './measure';

  interface Props {
    what: 'length' | 'mass';
    /** Its name, for who does not see the words about it. */
    label: string;
    /** mm or kg. */
    value: number | null | undefined;
    /** As it was typed, where that says more than the number: "3/8 in". */
    typed?: string | undefined;
    placeholder?: string;
    invalid?: boolean;
    onvalue: (value: number | null, typed: string | null) => void;
  }
  /** A number within a sentence: a length or a weight in the studio's unit, or typed with any other. */
  const { what, label, value, typed, placeholder = '', invalid = false, onvalue }: Props = $props();

  const unit = $derived(what === 'length' ? display.length : display.mass);
  const say = (v: number) => (what === 'length' ? sayLength(v, display.length) : sayMass(v, display.mass));
  const read = (text: string) =>
    what === 'length' ? readLength(text, display.length) : readMass(text, display.mass);

  let text: string | null = $state(null);
  let complaint: string | null = $state(null);
  const shown = $derived(text ?? typed ?? (value == null ? '' : say(value)));

  function take(next: string) {
    text = next;
    const reading = read(next);
    complaint = 'error' in reading ? reading.error : null;
    if (!('value' in reading)) return;
    const plain = reading.value === null || say(reading.value) === next.trim();
    onvalue(reading.value, plain ? null : /[a-z"]\s*$/i.test(next) ? next.trim() : `${next.trim()} ${unit}`);
  }
</script>

<input
  class="input input-sm"
  autocomplete="off"
  {placeholder}
  title={complaint ?? undefined}
  aria-label="{label}, {unit}"
  aria-invalid={complaint || invalid ? 'true' : undefined}
  value={shown}
  oninput={(e) => take(e.currentTarget.value)}
  onblur={() => complaint || (text = null)}
/>
