<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { shortTime } from '$lib/format';
  import type { Alarm, Live, Run } from './types';
  import { toldOnce } from './cut';
  import { alarmName, atMinute } from './words';

  /** The one thing to do next, in one press; an alarm nobody has seen comes before everything else. */
  interface Props {
    run: Run;
    live: Live;
    onact: () => void;
  }
  const { run, live, onact }: Props = $props();

  const next = $derived(live.next ?? null);
  const minute = $derived(next?.minute ?? null);
  const isNow = $derived(minute !== null && minute <= live.minute + 0.5);
  const text = $derived.by(() => {
    if (!next || minute === null || isNow) return onScale(next?.text ?? '');
    const at = shortTime(atMinute(run.startsAt, minute));
    return next.kind === 'open'
      ? `${onScale(next.text)} until about ${at}`
      : `${onScale(next.text)} at ${at}`;
  });
  const alarm: Alarm | undefined = $derived(
    toldOnce(live.alarms).find(
      (a) =>
        a.acknowledgedBy === null && (a.weight === 'danger' || a.weight === 'warn') && a.id !== 'steam-look'
    )
  );
  function showAlarm() {
    const card = document.getElementById(`alarm-${alarm?.id}`);
    card?.scrollIntoView({ block: 'center' });
    card?.querySelector('button')?.focus({ preventScroll: true });
  }
</script>

{#if alarm}
  <button class="next alarmed" onclick={showAlarm} data-testid="next-action"
    >What to do: {alarmName(alarm.id)}</button
  >
{:else if next}
  <button class={['next', next.kind === 'open' && !isNow && 'calm']} onclick={onact} data-testid="next-action"
    >{text}</button
  >
{/if}

<style>
  .next {
    min-height: 58px;
    border-radius: 12px;
    background: var(--color-primary);
    color: var(--color-primary-content);
    font-size: 19px;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
    cursor: pointer;
  }
  .alarmed {
    background: #a52a16;
    color: #fffdf9;
  }
  .calm {
    background: #2f5d8a;
    color: #fffdf9;
  }
</style>
