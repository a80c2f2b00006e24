<script lang="ts">
  import type { WeeklySpan } from '$lib/api/client';

  /** Hours on some days of the week: seven little switches and two times. */
  interface Props {
    span: WeeklySpan;
    label: string;
    onchange: (span: WeeklySpan) => void;
  }
  const { span, label, onchange }: Props = $props();

  const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
  const names = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
  const every = $derived(!span.days?.length);
  const on = (day: string) => every || span.days?.includes(day);

  function toggle(day: string) {
    const now = days.filter((d) => (d === day ? !on(d) : on(d)));
    onchange({ ...span, days: now.length === 7 ? [] : now.length === 0 ? [day] : now });
  }
</script>

<span class="flex flex-wrap items-center gap-x-3 gap-y-1">
  <span class="join" role="group" aria-label="Days of {label}">
    {#each days as day, i (day)}
      <button
        type="button"
        class={['btn join-item btn-xs w-7 px-0', on(day) ? 'btn-accent' : 'btn-paper text-soft']}
        aria-pressed={on(day)}
        aria-label={names[i]}
        onclick={() => toggle(day)}>{names[i]?.slice(0, 1)}</button
      >
    {/each}
  </span>
  <span class="flex items-center gap-1">
    <input
      type="time"
      class="input input-xs w-24"
      aria-label="{label} from"
      value={span.from}
      onchange={(e) => onchange({ ...span, from: e.currentTarget.value })}
    />
    <span class="text-soft">to</span>
    <input
      type="time"
      class="input input-xs w-24"
      aria-label="{label} to"
      value={span.to}
      onchange={(e) => onchange({ ...span, to: e.currentTarget.value })}
    />
  </span>
</span>
