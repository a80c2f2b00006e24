<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { glowAt } from '$lib/chart/glow';
  import { display } from '$lib/display.svelte';
  import { clock, sameDay, shortTime } from '$lib/format';
  import { toUnit } from '$lib/units';
  import SmallKiln from './SmallKiln.svelte';
  import type { Live, RoomKiln } from './types';
  import { atMinute, big, late } from './words';

  /** One kiln as it is now: how hot, what it does, what somebody has to do next, when it is safe to open. */
  interface Props {
    kiln: RoomKiln;
    live: Live | null;
    /** For a screen on the wall: large, nothing to press. */
    wall: boolean;
  }
  const { kiln, live, wall }: Props = $props();

  const unit = $derived(display.unit);
  const at = (minute: number | null | undefined) =>
    kiln.startsAt && minute !== null && minute !== undefined ? atMinute(kiln.startsAt, minute) : null;
  const soon = (moment: Date) => (sameDay(moment, new Date()) ? shortTime(moment) : clock(moment));
  const alarm = $derived(
    live?.alarms
      .filter((a) => a.until === null)
      .toSorted((a, b) => (a.weight === 'danger' ? -1 : b.weight === 'danger' ? 1 : 0))[0]
  );
  const next = $derived(live?.next?.minute ?? null);
  const nextAt = $derived(at(next));
  const open = $derived(at(live?.forecast?.open.p50));
  const top = $derived(at(live?.forecast?.top.p50));
  const isNow = $derived(next !== null && live !== null && next <= live.minute + 0.5);
</script>

<li class={['card-paper kiln', wall && 'wall']} data-kiln={kiln.name}>
  <svelte:element
    this={wall ? 'div' : 'a'}
    href={wall
      ? undefined
      : kiln.firingId === null
        ? `/firings?new&say=${encodeURIComponent(`in ${kiln.name}: `)}`
        : `/firings/${kiln.firingId}?stage=fire`}
    class="inner"
  >
    <div class="picture">
      <SmallKiln celsius={live ? (live.display ?? live.chamber) : null} loaded={live !== null} />
    </div>
    <div class="facts">
      <h3>{kiln.name}</h3>
      {#if live}
        <p
          class="now"
          style:color={(live.display ?? live.chamber ?? 0) > 480
            ? `color-mix(in oklab, ${glowAt(toUnit(live.display ?? live.chamber ?? 0, unit), unit)} 70%, var(--color-base-content))`
            : undefined}
        >
          {#if live.display === null && live.chamber !== null}<small>about</small>{/if}
          {big(live.display ?? live.chamber, unit)}
        </p>
        <p class="text-soft">{kiln.firing}{kiln.by ? ` · ${kiln.by}` : ''}</p>
        <p class="does">
          {#if live.endMinute !== null || live.state === 'stopped'}cooling
          {:else if live.state === 'started'}starts {kiln.startsAt ? soon(new Date(kiln.startsAt)) : ''}
          {:else}{live.phase === 'waiting'
              ? 'not lit yet'
              : live.phase === 'hold'
                ? 'holding'
                : 'climbing'}{#if live.deviationMinutes !== null},
              <b>{late(live.deviationMinutes)}</b>{/if}{/if}
        </p>
      {:else if kiln.firingId !== null}
        <p class="now rest">–</p>
        <p class="text-soft">{kiln.firing ?? 'In use'}</p>
        <p class="does">in use, and cannot be followed just now</p>
      {:else}
        <p class="now rest">–</p>
        <p class="text-soft">Free</p>
      {/if}
    </div>
    {#if live}
      <p
        class={[
          'next',
          alarm && alarm.weight !== 'ask'
            ? 'alarm'
            : live.next?.kind === 'open' && !isNow
              ? 'cool'
              : isNow
                ? 'due'
                : 'calm'
        ]}
      >
        {#if alarm && alarm.weight !== 'ask'}{onScale(alarm.text.split(/[:.](?!\d)/)[0] ?? '')}
        {:else if live.next}<b>{onScale(live.next.text)}</b>{#if nextAt && !isNow}{live.next.kind === 'open'
              ? `, until about ${soon(nextAt)}`
              : ` ${soon(nextAt)}`}{/if}
        {:else}On its way{/if}
      </p>
      <p class="then text-soft">
        {#if live.next?.kind !== 'open'}{[
            live.endMinute === null && top ? `Top about ${soon(top)}` : '',
            open ? `safe to open about ${soon(open)}` : ''
          ]
            .filter(Boolean)
            .join(' · ')}{:else if live.lastMinute !== null && live.minute - live.lastMinute > 10}No reading
          for {Math.round(live.minute - live.lastMinute)} min{/if}
      </p>
    {:else if kiln.firingId !== null}
      <p class="next alarm">{kiln.trouble ?? 'Look at the kiln itself; readings are kept.'}</p>
    {:else if !wall}
      <p class="next none">Plan a firing for it</p>
    {/if}
  </svelte:element>
</li>

<style>
  .inner {
    display: grid;
    grid-template-columns: 100px minmax(0, 1fr);
    gap: 2px 16px;
    padding: 12px 14px;
    height: 100%;
    align-content: start;
  }
  a.inner:hover {
    outline: 2px solid var(--color-primary);
    border-radius: var(--radius-box);
  }
  .picture {
    grid-row: span 1;
  }
  h3 {
    font-size: 18px;
  }
  .now small {
    font-size: 0.4em;
    font-weight: 400;
  }
  .now {
    font-family: 'Fraunces Variable', Fraunces, serif;
    font-size: 44px;
    font-weight: 650;
    line-height: 1.1;
    font-variant-numeric: tabular-nums lining-nums;
  }
  .rest {
    opacity: 0.35;
  }
  .next {
    grid-column: 1 / -1;
    border-radius: 9px;
    padding: 8px 12px;
    font-size: 16px;
    margin-top: 6px;
  }
  .calm {
    background: color-mix(in oklab, var(--color-success) 22%, var(--color-base-100));
  }
  .due {
    background: #b4651e;
    color: #fffdf9;
  }
  .cool {
    background: #2f5d8a;
    color: #fffdf9;
  }
  .alarm {
    background: #a52a16;
    color: #fffdf9;
    font-weight: 700;
  }
  .none {
    background: var(--color-base-200);
    color: var(--color-primary);
  }
  .then {
    grid-column: 1 / -1;
    font-size: 14px;
  }
  .wall .inner {
    grid-template-columns: 220px minmax(0, 1fr);
    padding: 26px;
    font-size: 22px;
  }
  .wall .now {
    font-size: 120px;
  }
  .wall h3 {
    font-size: 34px;
  }
  .wall .next {
    font-size: 32px;
    padding: 14px 18px;
  }
  .wall .then {
    font-size: 22px;
  }
</style>
