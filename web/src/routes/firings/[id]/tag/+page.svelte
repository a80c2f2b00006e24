<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { api, sayProblem } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import { dated, degrees } from '$lib/format';
  import { tagSign } from '$lib/live/words';
  import { toUnit } from '$lib/units';
  import { kilnList } from '$lib/kilns/queries';
  import { liveOf, runOf } from '$lib/live/queries';

  /** The sign for the kiln: firing, cooling or open, with its dates. */
  const id = $derived(Number(page.params.id));
  const firing = createQuery(() => ({
    queryKey: ['firing', id, 'tag'],
    queryFn: async () => {
      const { data, error } = await api.GET('/api/firings/{id}', { params: { path: { id } } });
      if (!data) throw error;
      return data;
    }
  }));
  const kilns = createQuery(kilnList);
  const run = createQuery(() => runOf(id));
  const live = createQuery(() => ({ ...liveOf(id), enabled: run.data !== undefined && run.data !== null }));
  /** What hangs at the kiln: it follows the firing, so that one printed while it cools says that it cools. */
  const sign = $derived(
    tagSign(
      live.data?.state ?? run.data?.state,
      live.data?.chamber ?? live.data?.display,
      run.data?.opensAtCelsius
    )
  );
  const kiln = $derived(kilns.data?.find((k) => k.id === firing.data?.firing.kilnId));
</script>

<svelte:head><title>Tag · Zealous Ember</title></svelte:head>

{#if firing.isError}<p class="p-6" role="alert">{sayProblem(firing.error)}</p>{/if}
{#if firing.data}
  <div class="no-print flex gap-2 p-4">
    <button class="btn btn-primary" onclick={() => print()}>Print</button><a
      class="btn btn-ghost"
      href="/firings/{id}?stage=fire">Back</a
    >
  </div>
  <article class="tag">
    <h1 class="big">{sign.word}</h1>
    <p class="big two">{sign.under}</p>
    <p class="kiln">{kiln?.kiln.name ?? ''} · {firing.data.firing.name}</p>
    <dl>
      <dt>Started</dt>
      <dd>
        {run.data ? dated(run.data.startsAt) : '. . . . . . . . . . . .'}{run.data?.by
          ? `, ${run.data.by}`
          : ''}
      </dd>
      {#if run.data?.stoppedAt ?? run.data?.cooledAt}
        <dt>{kiln?.kiln.heat === 'fuel' ? 'Burners out' : 'Switched off'}</dt>
        <dd>{dated(run.data?.stoppedAt ?? run.data?.cooledAt ?? '')}</dd>
      {/if}
      {#if run.data?.openedAt}
        <dt>Opened</dt>
        <dd>{dated(run.data.openedAt)}</dd>
      {:else}
        <dt>Safe to open</dt>
        <dd>
          {run.data && live.data?.forecast
            ? `about ${dated(new Date(Date.parse(run.data.startsAt) + (live.data.forecast.open.p50 ?? 0) * 60_000))}`
            : '. . . . . . . . . . . .'}, at {degrees(
            toUnit(run.data?.opensAtCelsius ?? 50, display.unit),
            display.unit
          )}
        </dd>
      {/if}
      <dt>Ask</dt>
      <dd>. . . . . . . . . . . . . . . . . . . . . . . .</dd>
    </dl>
    {#if sign.word !== 'OPEN'}<p>
        Hot surfaces. Nothing on the kiln or leaning against it. Children and pets away.
      </p>{/if}
  </article>
{/if}

<style>
  .tag {
    max-width: 680px;
    margin: 20px auto;
    padding: 36px;
    border: 6px solid #111;
    background: #fff;
    color: #111;
    text-align: center;
    font-size: 20px;
  }
  .big {
    font-size: min(108px, 19vw);
    font-weight: 800;
    line-height: 1;
    letter-spacing: 0.02em;
    font-family: inherit;
  }
  .two {
    font-size: min(64px, 11vw);
  }
  .kiln {
    font-size: 28px;
    margin: 18px 0;
    font-weight: 700;
  }
  dl {
    display: grid;
    grid-template-columns: max-content 1fr;
    gap: 10px 20px;
    text-align: left;
    margin: 20px 0;
    font-size: 24px;
  }
  dt {
    font-weight: 700;
  }
</style>
