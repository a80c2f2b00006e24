<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { createQuery } from '@tanstack/svelte-query';
  import { display } from '$lib/display.svelte';
  import { duration, number } from '$lib/format';
  import { sayMass } from '$lib/fields/measure';
  import { summaryOf } from './queries';
  import { toUnit } from '$lib/units';

  /** One firing in one line, the same on every stage: what is fired, how much stands in it, what it takes, when it may be opened. Red where two of them differ. */
  interface Props {
    firingId: number;
    /** Asked again when it changes: what was saved, set or started. */
    mark: string;
    /** What leads to a schedule from here: the plan that is shown, or a look at it; nothing where none can be made. */
    next: 'open-plan' | 'see-plan' | null;
  }
  const { firingId, mark, next }: Props = $props();
  const summary = createQuery(() => summaryOf(firingId, mark));

  const mass = (kg: number) => `${sayMass(Number(kg.toFixed(1)), display.mass)} ${display.mass}`;
  const shown = $derived(summary.data?.watched ?? summary.data?.set ?? summary.data?.planned ?? null);
  const from = $derived(
    shown?.source === 'run'
      ? 'Firing'
      : shown?.source === 'entered'
        ? 'Set'
        : shown?.source === 'schedule'
          ? `Schedule, version ${shown.version}`
          : 'Planned'
  );
  const differs = $derived(summary.data?.differs ?? []);
  /** Where each of them is looked at. */
  const places: Record<string, string> = { program: 'set', load: 'load', shelves: 'load', kiln: 'plan' };
</script>

{#if shown}
  <div class={['strip no-print', differs.length > 0 && 'differs']} data-testid="summary">
    <p class="line">
      <b>{from}</b>
      <span
        >top {number(toUnit(shown.topC, display.unit), 0)} °{display.unit}{shown.endCone
          ? `, cone ${shown.endCone}`
          : ''}</span
      >
      <span>{mass(shown.loadKg)} of ware, {mass(shown.furnitureKg)} of shelves</span>
      <span
        >{shown.energyKwh !== null
          ? `${number(shown.energyKwh, 0)} kWh`
          : `${mass(shown.gasKg ?? 0)} of gas`}</span
      >
      <span>{shown.gasKg === null ? 'power off' : 'burners out'} after {duration(shown.powerOnMinutes)}</span>
      {#if shown.opensMinutes !== null}<span>open after {duration(shown.opensMinutes)}</span>{/if}
    </p>
    {#each differs as difference (difference.between.join() + difference.what)}
      <p role="alert">
        {onScale(difference.text)}
        <a class="link" href="/firings/{firingId}?stage={places[difference.what] ?? 'plan'}">Look at it</a>
      </p>
    {/each}
  </div>
{:else if summary.isSuccess}
  <p class="strip no-print text-soft" data-testid="summary">
    <span
      >No schedule is chosen for it yet.
      {#if next === 'open-plan'}Open the plan in the editor, and it is.{:else if next === 'see-plan'}<a
          class="link underline"
          href="/firings/{firingId}?stage=plan">See the plan from its load</a
        >{/if}</span
    >
  </p>
{/if}

<style>
  .strip {
    border-radius: 9px;
    padding: 5px 12px;
    font-size: 13.5px;
    background: var(--color-base-100);
    font-variant-numeric: tabular-nums;
  }
  p {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
  }
  /* In the hand it stays one line: the kiln comes first. */
  @media screen and (max-width: 767px) {
    .line {
      flex-wrap: nowrap;
      overflow: hidden;
    }
    .line > * {
      white-space: nowrap;
    }
  }
  .differs {
    border-left: 6px solid var(--color-error);
    background: color-mix(in oklab, var(--color-error) 12%, var(--color-base-100));
  }
  .differs p[role='alert'] {
    font-weight: 600;
    font-size: 14.5px;
  }
</style>
