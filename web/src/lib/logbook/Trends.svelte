<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { duration, kindName, number, plural } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { faultName } from '$lib/reading';
  import { apartBy } from '$lib/scales';
  import { trends, type LogbookQuery } from './queries';
  import TrendLine from './TrendLine.svelte';

  /** What moved over the years, of one kiln and one kind of firing: others of the kind are no measure for each other. */
  const { query }: { query: LogbookQuery } = $props();

  const told = createQuery(() => trends(query));
  const kilns = createQuery(kilnList);
  type Point = NonNullable<typeof told.data>['points'][number];
  const keyOf = (p: Point) => `${p.kilnId} ${p.kind}`;
  const groups = $derived(
    [...Map.groupBy(told.data?.points ?? [], keyOf)]
      .filter(([, points]) => points.length > 1)
      .sort(([, a], [, b]) => b.length - a.length)
      .flatMap(([key, points]) =>
        points[0]
          ? [
              {
                key,
                points,
                name: `${kilns.data?.find((k) => k.id === points[0]?.kilnId)?.kiln.name ?? 'A kiln'}, ${kindName(points[0].kind).toLowerCase()}`
              }
            ]
          : []
      )
  );
  let wanted: string | null = $state(null);
  const chosen = $derived(groups.find((g) => g.key === wanted) ?? groups[0]);
  const points = (pick: (p: Point) => number | null) =>
    (chosen?.points ?? []).flatMap((p) => {
      const value = pick(p);
      return value === null ? [] : [{ at: Date.parse(p.at), value, name: p.name, id: p.firingId }];
    });
</script>

{#if told.data && told.data.firings > 2 && chosen}
  <section class="grid gap-2" aria-label="Trends" data-testid="trends">
    {#if groups.length > 1}<div class="flex flex-wrap gap-1.5" role="group" aria-label="Trends of">
        {#each groups as group (group.key)}<button
            class={['btn btn-xs', group === chosen ? 'btn-primary' : 'btn-paper']}
            aria-pressed={group === chosen}
            onclick={() => (wanted = group.key)}>{group.name}: {group.points.length}</button
          >{/each}
      </div>{/if}
    <div class="lines">
      <TrendLine title="To the top" points={points((p) => p.topHours)} say={(v) => duration(v * 60)} />
      <TrendLine
        title="Heat work past the goal"
        points={points((p) => p.past)}
        say={(v) => apartBy(v)}
        zero
      />
      <TrendLine title="Pack minus log" points={points((p) => p.offset)} say={(v) => apartBy(v)} zero />
      <TrendLine title="Energy" points={points((p) => p.kwh)} say={(v) => `${number(v, 0)} kWh`} />
    </div>
    <p class="text-soft text-[13.5px]">
      {plural(told.data.firings, 'firing')}{groups.length > 1 ? ' in all' : ''}, {plural(
        told.data.pieces,
        'piece'
      )} counted, {told.data.lost} lost.
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
