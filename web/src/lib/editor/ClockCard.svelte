<script lang="ts">
  import CalendarPlus from '@lucide/svelte/icons/calendar-plus';
  import X from '@lucide/svelte/icons/x';
  import type { Moment } from '$lib/api/client';
  import MomentField from '$lib/fields/MomentField.svelte';
  import { clock, degrees, duration, momentAt } from '$lib/format';
  import { saveWatchTimes, startDialog } from '$lib/starts';
  import { toBody } from './draft';
  import type { FiringPlace } from './firing-place.svelte';
  import type { PreviewLoop } from './preview-loop.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import type { StartTime } from './start-time.svelte';

  interface Props {
    draft: ScheduleDraft;
    place: FiringPlace;
    loop: PreviewLoop;
    start: StartTime;
  }
  const { draft, place, loop, start }: Props = $props();

  const preview = $derived(loop.preview);
  const burns = $derived(!!preview?.kiln?.fuel);
  const said = $derived(loop.errors['start']);
  let finding = $state(false);

  /** What a start is looked for; an unnamed schedule has to be called something. */
  const asked = () => ({
    schedule: { ...toBody(draft.body), name: draft.body.name || 'Untitled' },
    ...place.asked
  });

  function name(moment: Moment): string {
    const at = degrees(moment.temperature, preview?.unit ?? 'C');
    return {
      'past-boiling': `Past boiling, ${at}`,
      'quartz-rising': `Through ${at}, rising`,
      top: `Top, ${at}`,
      'cooling-begins': 'Cooling begins',
      'power-off': burns ? 'Burners out' : 'Power off',
      'quartz-falling': `Through ${at}, falling`,
      'may-open': `May be opened, ${at}`
    }[moment.kind];
  }

  /** The next full half hour: the likeliest "now" of somebody who is still loading. */
  const soon = () => momentAt(new Date(Math.ceil(Date.now() / 1_800_000) * 1_800_000));

  /** Another meaning for the same firing: the field then shows when that is, and nothing moves. */
  function setAnchor(anchor: StartTime['anchor']) {
    const kind = { start: null, top: 'top', open: 'may-open' }[anchor];
    const at =
      kind === null ? preview?.startsAt : preview?.moments.find((moment) => moment.kind === kind)?.at;
    start.set(at ? momentAt(at) : start.at, anchor);
  }
</script>

<section class="card-paper px-3.5 py-2.5" aria-labelledby="by-the-clock">
  <div class="mb-1 flex items-center justify-between gap-1">
    <h2 id="by-the-clock" class="text-[15px] whitespace-nowrap">By the clock</h2>
    <span class="flex items-center">
      {#if !start.at}
        <button class="btn btn-ghost btn-xs px-1.5" onclick={() => start.set(momentAt(new Date()))}
          >now</button
        >
        <button
          class="btn btn-ghost btn-xs px-1.5"
          data-testid="choose-start"
          onclick={() => start.set(soon())}>choose a start</button
        >
      {:else}
        <button
          class="btn btn-ghost btn-xs btn-square"
          aria-label="Watch times as calendar entries"
          title="Watch times as calendar entries"
          disabled={!loop.startsAt}
          onclick={() => loop.startsAt && void saveWatchTimes(asked(), loop.startsAt)}
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
  {#if start.at}
    <div class="mb-1 flex items-center">
      <select
        class="select select-ghost select-xs -ml-2 w-22 shrink-0 pr-6! pl-2! text-[12.5px]"
        aria-label="What happens at this time"
        value={start.anchor}
        onchange={(e) => setAnchor(e.currentTarget.value as StartTime['anchor'])}
      >
        <option value="start">switch on</option>
        <option value="top">top at</option>
        <option value="open">open by</option>
      </select>
      <span class="ml-auto">
        <MomentField
          id="start"
          label={start.anchor === 'start'
            ? 'Start of the firing'
            : start.anchor === 'top'
              ? 'When the top is reached'
              : 'When it may be opened'}
          moment={start.at}
          error={said}
          onvalue={(moment) => start.set(moment)}
        />
      </span>
      <button class="btn btn-ghost btn-xs btn-square" aria-label="No start" onclick={() => start.set(null)}
        ><X size={13} /></button
      >
    </div>
  {/if}
  {#if said}<p class="text-error text-[13px]" role="alert">{said}</p>{/if}
  {#if preview}
    <dl class="grid grid-cols-[1fr_auto] gap-x-2 gap-y-[3px] text-[13.5px]">
      {#if loop.startsAt && start.anchor !== 'start'}
        <dt class="text-soft">Switch on</dt>
        <dd class="text-right font-semibold" data-testid="switch-on">{clock(new Date(loop.startsAt))}</dd>
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
        <dt class="text-soft">Hours with the {burns ? 'burners' : 'power'} on</dt>
        <dd class="text-right font-semibold" data-testid="powered">{duration(preview.poweredMinutes)}</dd>
      {/if}
    </dl>
  {:else}
    <p class="text-soft text-[13.5px]">Times appear with the first step.</p>
  {/if}
</section>

{#if finding}
  {#await startDialog() then { default: StartDialog }}
    <StartDialog
      asked={asked()}
      line={preview?.line ?? ''}
      ontake={(at) => start.set(momentAt(at), 'start')}
      onclose={() => (finding = false)}
    />
  {/await}
{/if}
