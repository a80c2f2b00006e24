<script lang="ts">
  import { clock, duration, money, number } from '$lib/format';
  import type { FiringDraft } from './firing-draft.svelte';
  import type { Changes, WhatIfs } from './what-if.svelte';

  /** What if the walls were thicker, the ware wetter, the goal cooler, the start later? */
  const { draft, whatIfs }: { draft: FiringDraft; whatIfs: WhatIfs } = $props();

  const raw = $derived(draft.body.kind !== 'glaze');
  const start = $derived(draft.body.startsAt);
  interface Stepper {
    name: keyof Changes;
    by: number;
    more: string;
    less: string;
    say: (n: number) => string;
  }
  const count = (n: number, one: string) =>
    `${Math.abs(n) === 1 ? 'one' : number(Math.abs(n))} ${one}${Math.abs(n) === 1 ? '' : 's'}`;
  const steppers = $derived<Stepper[]>([
    {
      name: 'thickerMm',
      by: 1,
      more: 'Thicker',
      less: 'Thinner',
      say: (n) => (n === 0 ? 'walls' : `${number(Math.abs(n))} mm ${n > 0 ? 'thicker' : 'thinner'}`)
    },
    ...(raw
      ? [
          {
            name: 'wetter' as const,
            by: 1,
            more: 'Wetter',
            less: 'Drier',
            say: (n: number) => (n === 0 ? 'water' : `${count(n, 'step')} ${n > 0 ? 'wetter' : 'drier'}`)
          }
        ]
      : []),
    ...(draft.body.kind === 'drying'
      ? []
      : [
          {
            name: 'coolerCones' as const,
            by: -1,
            more: 'Hotter',
            less: 'Cooler',
            say: (n: number) => (n === 0 ? 'cone' : `${count(n, 'cone')} ${n > 0 ? 'cooler' : 'hotter'}`)
          }
        ]),
    ...(start
      ? [
          {
            name: 'laterHours' as const,
            by: 1,
            more: 'Later',
            less: 'Sooner',
            say: (n: number) => (n === 0 ? 'start' : `${number(Math.abs(n))} h ${n > 0 ? 'later' : 'sooner'}`)
          }
        ]
      : [])
  ]);
  const answer = $derived(whatIfs.answer);
  const sums = $derived.by(() => {
    if (!answer) return [];
    const more = (value: number, text: string) => `${value > 0 ? '+' : '−'}${text}`;
    return [
      Math.abs(answer.longerMinutes) >= 1 &&
        `${more(answer.longerMinutes, duration(Math.abs(answer.longerMinutes)))}`,
      Math.abs(answer.moreKwh ?? 0) >= 0.5 &&
        more(answer.moreKwh ?? 0, `${number(Math.abs(answer.moreKwh ?? 0), 0)} kWh`),
      Math.abs(answer.moreCost ?? 0) >= 0.005 &&
        more(answer.moreCost ?? 0, money(Math.abs(answer.moreCost ?? 0), answer.currency)),
      answer.topAt && `top ${clock(new Date(answer.topAt))}`,
      answer.opensAt && `open ${clock(new Date(answer.opensAt))}`
    ].filter((s) => typeof s === 'string');
  });
</script>

<section class="card-paper px-3 py-2 text-[13.5px]" aria-labelledby="what-if" data-testid="what-if">
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1.5">
    <h2 id="what-if" class="text-[15px]">What if</h2>
    {#each steppers as stepper (stepper.name)}
      {@const now = whatIfs.changes[stepper.name]}
      <span class="stepper" class:on={now !== 0} role="group" aria-label="{stepper.less} or {stepper.more}">
        <button aria-label={stepper.less} onclick={() => whatIfs.change({ [stepper.name]: now - stepper.by })}
          >−</button
        >
        <output>{stepper.say(now)}</output>
        <button aria-label={stepper.more} onclick={() => whatIfs.change({ [stepper.name]: now + stepper.by })}
          >+</button
        >
      </span>
    {/each}
    {#if whatIfs.any}
      <span class="ml-auto flex gap-1">
        <button
          class="btn btn-ghost btn-xs"
          onclick={() => whatIfs.change({ thickerMm: 0, wetter: 0, coolerCones: 0, laterHours: 0 })}
          >As it is</button
        >
        {#if answer}<button class="btn btn-paper btn-xs" onclick={() => whatIfs.take()}>Make it so</button
          >{/if}
      </span>
    {/if}
  </div>
  <p class="said" role="status">
    {#if whatIfs.refusal}<span class="text-error">{whatIfs.refusal}</span>
    {:else if answer}<b>{sums.join(', ')}</b>{sums.length && answer.says.length ? '. ' : ''}{answer.says.join(
        ' '
      )}{#if !sums.length && !answer.says.length}Nothing changes.{/if}
    {:else}<span class="text-soft"
        >The answer stands here at once{start ? '' : '; with a start, also for starting later'}.</span
      >{/if}
  </p>
</section>

<style>
  .stepper {
    display: inline-flex;
    align-items: center;
    border: 1px solid var(--color-base-300);
    border-radius: 999px;
  }
  .stepper.on {
    border-color: var(--color-primary);
    color: var(--color-primary);
    font-weight: 600;
  }
  .stepper button {
    width: 30px;
    height: 26px;
    cursor: pointer;
    font-size: 15px;
    line-height: 1;
  }
  .stepper output {
    min-width: 64px;
    text-align: center;
    white-space: nowrap;
  }
  .said {
    margin-top: 4px;
    min-height: 3em;
  }
  @media (max-width: 767px) {
    .stepper button {
      width: 44px;
      height: 44px;
    }
  }
</style>
