<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { number, plural } from '$lib/format';
  import { faultName } from '$lib/reading';
  import { trends, type LogbookQuery } from './queries';
  import TrendLine from './TrendLine.svelte';

  /** What moved over the years, of the firings that are shown. */
  const { query }: { query: LogbookQuery } = $props();

  const told = createQuery(() => trends(query));
  const points = (pick: (p: NonNullable<typeof told.data>['points'][number]) => number | null) =>
    (told.data?.points ?? []).flatMap((p) => {
      const value = pick(p);
      return value === null ? [] : [{ at: Date.parse(p.at), value, name: p.name, id: p.firingId }];
    });
</script>

{#if told.data && told.data.firings > 2}
  <section class="grid gap-3" aria-label="Trends" data-testid="trends">
    <div class="lines">
      <TrendLine
        title="Hours to the top"
        points={points((p) => p.topHours)}
        say={(v) => `${number(v, 1)} h`}
      />
      <TrendLine
        title="Heat work past the goal"
        points={points((p) => p.past)}
        say={(v) => `${number(v, 0)} °C`}
        zero
      />
      <TrendLine
        title="Pack minus log"
        points={points((p) => p.offset)}
        say={(v) => `${number(v, 0)} °C`}
        zero
      />
      <TrendLine title="Energy" points={points((p) => p.kwh)} say={(v) => `${number(v, 0)} kWh`} />
    </div>
    <p class="text-soft text-[13.5px]">
      {plural(told.data.firings, 'firing')}, {plural(told.data.pieces, 'piece')} counted, {told.data.lost} lost.
      {#if told.data.causes.length > 0}Faults: {told.data.causes
          .map((c) => `${faultName(c.fault).toLowerCase()} in ${c.firings}`)
          .join(', ')}.{/if}
    </p>
  </section>
{/if}

<style>
  .lines {
    display: grid;
    gap: 12px;
    grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  }
</style>
