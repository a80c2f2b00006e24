<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Moment } from '$lib/api/client';
  import { clock, degrees, duration } from '$lib/format';
  import type { Desk } from './desk.svelte';

  const { desk }: { desk: Desk } = $props();

  const preview = $derived(desk.preview);
  const said = $derived(desk.errors['start']);

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

  function setStart(value: string) {
    desk.start = value;
    desk.changed();
  }

  /** The next full half hour: the likeliest "now" of somebody who is still loading. */
  function soon(): string {
    const at = new Date(Math.ceil(Date.now() / 1_800_000) * 1_800_000);
    const local = new Date(at.getTime() - at.getTimezoneOffset() * 60_000);
    return local.toISOString().slice(0, 16);
  }
</script>

<section class="card-paper px-3.5 py-2.5" aria-labelledby="by-the-clock">
  <div class="mb-1.5 flex items-center justify-between gap-1">
    <h2 id="by-the-clock" class="text-[15px] whitespace-nowrap">By the clock</h2>
    {#if desk.start}
      <span class="flex items-center">
        <input
          type="datetime-local"
          class="start"
          aria-label="Start of the firing"
          aria-invalid={said ? 'true' : undefined}
          value={desk.start}
          onchange={(e) => setStart(e.currentTarget.value)}
        />
        <button class="btn btn-ghost btn-xs btn-square" aria-label="No start" onclick={() => setStart('')}
          ><X size={13} /></button
        >
      </span>
    {:else}
      <button class="btn btn-ghost btn-xs" data-testid="choose-start" onclick={() => setStart(soon())}
        >choose a start</button
      >
    {/if}
  </div>
  {#if said}<p class="text-error text-[13px]" role="alert">{said}</p>{/if}
  {#if preview}
    <dl class="grid grid-cols-[1fr_auto] gap-x-2 gap-y-[3px] text-[13.5px]">
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

<style>
  .start {
    width: 162px;
    font-size: 12.5px;
    background: none;
    border-bottom: 1.5px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
  }
</style>
