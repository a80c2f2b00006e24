<script lang="ts">
  import { toUnit } from '$lib/chart/glow';
  import WordField from '$lib/fields/WordField.svelte';
  import { readNumber } from '$lib/fields/parse';
  import { duration, number } from '$lib/format';
  import type { Desk } from './desk.svelte';

  const { desk }: { desk: Desk } = $props();

  const unit = $derived(desk.draft.unit);
  /** The usual question first: how long around the top, where the heat work is done. */
  const usual = $derived({ from: toUnit(1000, unit), to: toUnit(1300, unit) });
  const band = $derived(desk.between ?? usual);
  const answer = $derived(desk.preview?.timeBetween[0]);
  const said = $derived(desk.errors['between[0].from'] ?? desk.errors['between[0].to']);

  function ask(change: Partial<{ from: number; to: number }>) {
    desk.between = { ...band, ...change };
    desk.changed();
  }

  $effect(() => {
    if (desk.between === null) {
      desk.between = usual;
      desk.changed();
    }
  });
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="pace-and-time">
  <h2 id="pace-and-time" class="mb-1.5 text-[15px]">Pace and time</h2>
  {#if desk.preview}
    <p>
      <span class="text-soft">Climbs at most</span>
      <b>{number(desk.preview.fastestRise, 0)} °{unit}/h</b><span class="text-soft">, drops</span>
      <b>{number(desk.preview.fastestDrop, 0)} °{unit}</b> <span class="text-soft">in an hour</span>
    </p>
  {/if}
  <div class="mt-1 flex flex-wrap items-baseline gap-1">
    <span class="text-soft">Between</span>
    <WordField
      id="between-from"
      label="From, °{unit}"
      text={number(band.from)}
      read={readNumber}
      onvalue={(v) => v !== null && ask({ from: v })}
      onstep={(by) => ask({ from: band.from + by })}
    />
    <span class="text-soft">and</span>
    <WordField
      id="between-to"
      label="To, °{unit}"
      text={number(band.to)}
      read={readNumber}
      onvalue={(v) => v !== null && ask({ to: v })}
      onstep={(by) => ask({ to: band.to + by })}
    />
    <span class="text-soft">°{unit}</span>
  </div>
  {#if said}
    <p class="text-error mt-1" role="alert">{said}</p>
  {:else if answer}
    <p class="mt-1" data-testid="time-between">
      <b>{duration(answer.risingMinutes)}</b> <span class="text-soft">up and held,</span>
      <b>{duration(answer.fallingMinutes)}</b> <span class="text-soft">down</span>
    </p>
  {/if}
</section>
