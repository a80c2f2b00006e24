<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { momentOf, wallOf } from '$lib/zoned';
  import TimeField from './TimeField.svelte';

  interface Props {
    id: string;
    label: string;
    /** A moment with its offset, or nothing. */
    moment: string | null;
    error?: string | undefined;
    onvalue: (moment: string | null) => void;
  }
  /** A day and a time of day on the studio's own clock, wherever the browser thinks it is. */
  const { id, label, moment, error, onvalue }: Props = $props();

  const wall = $derived(moment ? wallOf(new Date(moment), display.zone) : null);

  function set(change: { date?: string; time?: string }) {
    const date = change.date ?? wall?.date ?? '';
    if (!date) return onvalue(null);
    const read = momentOf({ date, time: change.time ?? wall?.time ?? '09:00' }, display.zone);
    if (read) onvalue(read);
  }
</script>

<span class="inline-flex items-center gap-0.5" role="group" aria-label={label}>
  <input
    {id}
    type="date"
    class="day"
    aria-label="{label}: day"
    aria-invalid={error ? 'true' : undefined}
    value={wall?.date ?? ''}
    onchange={(e) => set({ date: e.currentTarget.value })}
  />
  <TimeField
    id="{id}-time"
    label="{label}: time"
    time={wall?.time ?? ''}
    {error}
    onvalue={(time) => set({ time })}
  />
</span>

<style>
  .day {
    width: 92px;
    min-width: 0;
    font-size: 12.5px;
    background: none;
    border-bottom: 1.5px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
  }
</style>
