<script lang="ts">
  import type { ScheduleSummary } from '$lib/api/client';
  import Sparkline from '$lib/chart/Sparkline.svelte';
  import { heatOf } from '$lib/scales';
  import { duration, kindName, plural, when } from '$lib/format';

  interface Props {
    schedule: ScheduleSummary;
    picked: boolean;
    onpick: (picked: boolean) => void;
    oncopy: () => void;
    onremove: () => void;
    ontag: (tag: string) => void;
  }
  const { schedule, picked, onpick, oncopy, onremove, ontag }: Props = $props();
</script>

<li class="card-paper line" class:picked data-testid="schedule">
  <input
    type="checkbox"
    class="checkbox checkbox-sm"
    aria-label="Pick “{schedule.name}”"
    checked={picked}
    onchange={(e) => onpick(e.currentTarget.checked)}
  />
  <div class="spark"><Sparkline curve={schedule.curve} unit={schedule.unit} /></div>
  <div class="min-w-0">
    <a class="open font-serif text-[17px] leading-tight font-semibold" href="/schedules/{schedule.id}"
      >{schedule.name}</a
    >
    <div class="text-soft mt-0.5 text-[13.5px]">
      {kindName(schedule.kind)} · {plural(schedule.steps, 'step')} · changed {when(
        new Date(schedule.updatedAt)
      )}
    </div>
    <div class="tags mt-1 flex flex-wrap gap-1">
      {#each schedule.tags as tag (tag)}
        <button
          class="badge badge-sm bg-accent text-accent-content cursor-pointer border-0"
          onclick={() => ontag(tag)}>{tag}</button
        >
      {/each}
    </div>
  </div>
  <dl class="figures">
    <dt>Top</dt>
    <dd>{heatOf(schedule.peak, schedule.unit)}</dd>
    <dt>Power on</dt>
    <dd>{duration(schedule.poweredMinutes)}</dd>
    <dt>In all</dt>
    <dd>{duration(schedule.totalMinutes)}</dd>
  </dl>
  <div class="acts">
    <button class="btn btn-sm btn-ghost" aria-label="Copy “{schedule.name}”" onclick={oncopy}>Copy</button>
    <button class="btn btn-sm btn-ghost" aria-label="Delete “{schedule.name}”" onclick={onremove}
      >Delete</button
    >
  </div>
</li>

<style>
  .line {
    position: relative;
    display: grid;
    grid-template-columns: 24px 132px minmax(0, 1fr) 128px auto;
    align-items: center;
    gap: 14px;
    padding: 9px 12px;
  }
  .line:hover {
    border-color: color-mix(in oklab, var(--color-primary) 45%, var(--color-base-300));
  }
  .picked {
    background: color-mix(in oklab, var(--color-primary) 6%, var(--color-base-100));
  }
  /* The whole card opens it; what is on top of it keeps its own meaning. */
  .open::after {
    content: '';
    position: absolute;
    inset: 0;
    border-radius: var(--radius-box);
  }
  .line > input,
  .tags button,
  .acts {
    position: relative;
    z-index: 1;
  }
  .figures {
    display: grid;
    grid-template-columns: 1fr auto;
    font-size: 13.5px;
    gap: 0 10px;
  }
  dt {
    color: var(--color-soft);
  }
  dd {
    font-weight: 600;
    text-align: right;
  }
  @media (max-width: 1023px) {
    .line {
      grid-template-columns: 24px minmax(0, 1fr) auto;
    }
    .spark {
      display: none;
    }
    .acts {
      grid-column: 2 / -1;
      justify-self: end;
      margin-top: -8px;
    }
  }
</style>
