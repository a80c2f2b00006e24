<script lang="ts">
  import CalendarPlus from '@lucide/svelte/icons/calendar-plus';
  import X from '@lucide/svelte/icons/x';
  import type { Moment } from '$lib/api/client';
  import { saveWatchTimes } from '$lib/clock/watch-times';
  import { clock, degrees, duration, toLocalField } from '$lib/format';
  import type { Desk } from './desk.svelte';

  const { desk }: { desk: Desk } = $props();

  const preview = $derived(desk.preview);
  const said = $derived(desk.errors['start']);
  let finding = $state(false);

  function name(moment: Moment): string {
    const at = degrees(moment.temperature, preview?.unit ?? 'C');
    return {
      'past-boiling': `Past boiling, ${at}`,
      'quartz-rising': `Through ${at}, rising`,
      top: `Top, ${at}`,
      'cooling-begins': 'Cooling begins',
      'power-off': 'Power off',
      'quartz-falling': `Through ${at}, falling`,
      'may-open': `May be opened, ${at}`
    }[moment.kind];
  }

  function setStart(value: string, anchor = desk.anchor) {
    desk.start = value;
    desk.anchor = value ? anchor : 'start';
    desk.changed();
  }

  /** The next full half hour: the likeliest "now" of somebody who is still loading. */
  const soon = () => toLocalField(new Date(Math.ceil(Date.now() / 1_800_000) * 1_800_000));

  /** Another meaning for the same firing: the field then shows when that is, and nothing moves. */
  function setAnchor(anchor: typeof desk.anchor) {
    const kind = { start: null, top: 'top', open: 'may-open' }[anchor];
    const at =
      kind === null ? preview?.startsAt : preview?.moments.find((moment) => moment.kind === kind)?.at;
    setStart(at ? toLocalField(new Date(at)) : desk.start, anchor);
  }
</script>

<section class="card-paper px-3.5 py-2.5" aria-labelledby="by-the-clock">
  <div class="mb-1 flex items-center justify-between gap-1">
    <h2 id="by-the-clock" class="text-[15px] whitespace-nowrap">By the clock</h2>
    <span class="flex items-center">
      {#if !desk.start}
        <button class="btn btn-ghost btn-xs px-1.5" onclick={() => setStart(toLocalField(new Date()))}
          >now</button
        >
        <button
          class="btn btn-ghost btn-xs px-1.5"
          data-testid="choose-start"
          onclick={() => setStart(soon())}>choose a start</button
        >
      {:else}
        <button
          class="btn btn-ghost btn-xs btn-square"
          aria-label="Watch times as calendar entries"
          title="Watch times as calendar entries"
          disabled={!desk.startsAt}
          onclick={() => desk.startsAt && void saveWatchTimes(desk, desk.startsAt)}
          ><CalendarPlus size={14} /></button
        >
      {/if}
      <button
        class="btn btn-ghost btn-xs px-1.5"
        data-testid="find-start"
        disabled={!preview}
        onclick={() => (finding = true)}>best start</button
      >
    </span>
  </div>
  {#if desk.start}
    <div class="mb-1 flex items-center">
      <select
        class="select select-ghost select-xs -ml-2 w-22 shrink-0 pr-6! pl-2! text-[12.5px]"
        aria-label="What happens at this time"
        value={desk.anchor}
        onchange={(e) => setAnchor(e.currentTarget.value as typeof desk.anchor)}
      >
        <option value="start">switch on</option>
        <option value="top">top at</option>
        <option value="open">open by</option>
      </select>
      <input
        type="datetime-local"
        class="start ml-auto"
        aria-label={desk.anchor === 'start'
          ? 'Start of the firing'
          : desk.anchor === 'top'
            ? 'When the top is reached'
            : 'When it may be opened'}
        aria-invalid={said ? 'true' : undefined}
        value={desk.start}
        onchange={(e) => setStart(e.currentTarget.value)}
      />
      <button class="btn btn-ghost btn-xs btn-square" aria-label="No start" onclick={() => setStart('')}
        ><X size={13} /></button
      >
    </div>
  {/if}
  {#if said}<p class="text-error text-[13px]" role="alert">{said}</p>{/if}
  {#if preview}
    <dl class="grid grid-cols-[1fr_auto] gap-x-2 gap-y-[3px] text-[13.5px]">
      {#if desk.startsAt && desk.anchor !== 'start'}
        <dt class="text-soft">Switch on</dt>
        <dd class="text-right font-semibold" data-testid="switch-on">{clock(new Date(desk.startsAt))}</dd>
      {/if}
      {#each preview.moments as moment (moment.kind)}
        <dt class="text-soft">{name(moment)}</dt>
        <dd class="text-right font-semibold">
          {moment.at ? clock(new Date(moment.at)) : duration(moment.minute)}
        </dd>
      {/each}
      {#if Math.abs((preview.moments.at(-1)?.minute ?? 0) - preview.totalMinutes) > 1}
        <dt class="text-soft">Whole firing</dt>
        <dd class="text-right font-semibold">{duration(preview.totalMinutes)}</dd>
      {/if}
      {#if preview.poweredMinutes < preview.totalMinutes}
        <dt class="text-soft">Hours with the power on</dt>
        <dd class="text-right font-semibold" data-testid="powered">{duration(preview.poweredMinutes)}</dd>
      {/if}
    </dl>
  {:else}
    <p class="text-soft text-[13.5px]">Times appear with the first step.</p>
  {/if}
</section>

{#if finding}
  {#await import('$lib/clock/StartDialog.svelte') then { default: StartDialog }}
    <StartDialog
      {desk}
      ontake={(at) => setStart(toLocalField(at), 'start')}
      onclose={() => (finding = false)}
    />
  {/await}
{/if}

<style>
  .start {
    width: 156px;
    min-width: 0;
    font-size: 12.5px;
    background: none;
    border-bottom: 1.5px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
  }
</style>
