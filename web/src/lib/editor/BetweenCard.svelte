<script lang="ts">
  import WordField from '$lib/fields/WordField.svelte';
  import { readNumber } from '$lib/fields/parse';
  import { duration, number } from '$lib/format';
  import type { PreviewLoop } from './preview-loop.svelte';
  import { toCelsius, toUnit } from '$lib/units';

  const { loop, unit }: { loop: PreviewLoop; unit: 'C' | 'F' } = $props();

  /** The usual question first: how long around the top, where the heat work is done. */
  const usual = $derived({ from: toUnit(1000, unit), to: toUnit(1300, unit) });
  const band = $derived(loop.between ?? usual);
  const answer = $derived(loop.preview?.timeBetween[0]);
  const said = $derived(loop.errors['between[0].from'] ?? loop.errors['between[0].to']);

  function ask(change: Partial<{ from: number; to: number }>) {
    loop.between = { ...band, ...change };
    void loop.ask();
  }

  // In the other unit the same question is meant.
  let asked = $state.raw<'C' | 'F' | null>(null);
  $effect(() => {
    if (asked === unit) return;
    const { between } = loop;
    const swap = (t: number) => Math.round(unit === 'F' ? toUnit(t, 'F') : toCelsius(t, 'F'));
    loop.between = between && asked ? { from: swap(between.from), to: swap(between.to) } : usual;
    asked = unit;
    void loop.ask();
  });
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="pace-and-time">
  <h2 id="pace-and-time" class="mb-1.5 text-[15px]">Pace and time</h2>
  {#if loop.preview}
    <p>
      <span class="text-soft">Climbs at most</span>
      <b>{number(loop.preview.fastestRise, 0)} °{unit}/h</b><span class="text-soft">, drops</span>
      <b>{number(loop.preview.fastestDrop, 0)} °{unit}</b> <span class="text-soft">in an hour</span>
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
