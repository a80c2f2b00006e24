<script lang="ts">
  import type { WeeklySpan } from '$lib/api/client';

  import TimeField from '$lib/fields/TimeField.svelte';

  /** Hours on some days of the week: seven little switches and two times. */
  interface Props {
    span: WeeklySpan;
    label: string;
    onchange: (span: WeeklySpan) => void;
  }
  const { span, label, onchange }: Props = $props();
  const id = $props.id();

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
    <TimeField
      id="{id}-from"
      label="{label} from"
      time={span.from ?? ''}
      onvalue={(time) => onchange({ ...span, from: time })}
    />
    <span class="text-soft">to</span>
    <TimeField
      id="{id}-to"
      label="{label} to"
      time={span.to ?? ''}
      onvalue={(time) => onchange({ ...span, to: time })}
    />
  </span>
</span>
