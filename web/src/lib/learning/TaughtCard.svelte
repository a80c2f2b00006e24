<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { number, plural, when } from '$lib/format';
  import { onScale } from '$lib/said-units';
  import { apartBy } from '$lib/scales';
  import { TrendLine } from '$lib/logbook';
  import { shelfWords } from '$lib/reading/words';
  import { learnedOf, saveCare } from './queries';
  import SayInstead from './SayInstead.svelte';

  /** What a kiln has taught: each number, how sure, what stands behind it, how it moved; and what somebody says over it. */
  const { kilnId }: { kilnId: number } = $props();

  const client = useQueryClient();
  const learned = createQuery(() => learnedOf(kilnId));
  const now = $derived(learned.data);
  const give = (sd: number, decimals = 0) => `± ${number(sd * 1.28, decimals)}`;
  const elements = $derived(learned.data?.elements);
  const advice = $derived(
    elements?.advice === 'change'
      ? onScale(`Time for new elements: a full kiln climbs at less than 30 °C/h at ${elements.usualTop} °C.`)
      : elements?.advice === 'soon'
        ? `New elements soon${elements.firingsLeft === null ? '' : `: in about ${plural(elements.firingsLeft, 'firing')}`}.`
        : elements?.firingsLeft !== null && elements?.firingsLeft !== undefined
          ? `Good for about ${plural(elements.firingsLeft, 'more firing')}, as they have been going.`
          : 'They have some way to go.'
  );
  let overruling = $state(false);
  const unsay = () =>
    void saveCare(kilnId, { ...learned.data?.care, offset: null, power: null, note: null }).then(() =>
      client.invalidateQueries({ queryKey: ['learned', kilnId] })
    );
  const trend = (pick: (t: NonNullable<typeof learned.data>['trend'][number]) => number | null) =>
    (learned.data?.trend ?? []).flatMap((t) => {
      const value = pick(t);
      return value === null
        ? []
        : [{ at: Date.parse(t.at), value, name: `Firing ${t.firingId}`, id: t.firingId }];
    });
</script>

{#if learned.data && now}
  <section
    class="card-paper grid grid-cols-[minmax(0,1fr)] gap-3 p-4"
    aria-label="What its firings have taught"
    data-testid="taught"
  >
    <h2 class="text-[17px]">What its firings have taught</h2>
    <p>{onScale(learned.data.sentence)}</p>
    {#if learned.data.firings > 0}
      <dl>
        <div>
          <dt>Display, to be added</dt>
          <dd>
            {#if now.offset.readings > 0}{apartBy(now.offset.mean, 1)} ± {apartBy(
                now.offset.sd * 1.28,
                1
              )}{:else}no pack read yet{/if}
          </dd>
          <dd class="from">
            {plural(now.offset.readings, 'pack')}{now.offset.since
              ? ` since its thermocouple was new, ${when(new Date(now.offset.since))}`
              : ''}
          </dd>
        </div>
        <div>
          <dt>Between the shelves</dt>
          <dd>{now.evenness === null ? 'not known' : `${apartBy(now.evenness.mean)} of cone`}</dd>
          <dd class="from">
            {now.shelves
              .map(
                (s) => `${shelfWords(s.shelf).toLowerCase()} ${s.mean >= 0.5 ? '+' : ''}${apartBy(s.mean)}`
              )
              .join(', ')}
          </dd>
        </div>
        <div>
          <dt>Elements</dt>
          <dd>{number(now.health.mean * 100, 0)} % {now.health.sd > 0 ? give(now.health.sd * 100) : ''}</dd>
          <dd class="from">{advice}</dd>
        </div>
        <div>
          <dt>Power and loss, against its numbers</dt>
          <dd>{number(now.power.mean * 100, 0)} and {number(now.loss.mean * 100, 0)} %</dd>
          <dd class="from">
            {plural(now.power.readings, 'log')}; loads {number(now.heat.mean * 100, 0)} % of the usual heat
          </dd>
        </div>
      </dl>
      <div class="lines">
        <TrendLine title="Display off by" points={trend((t) => t.offset)} say={(v) => apartBy(v, 1)} zero />
        <TrendLine
          title="Element health"
          points={trend((t) => t.health * 100)}
          say={(v) => `${number(v, 0)} %`}
        />
        <TrendLine title="Between the shelves" points={trend((t) => t.evenness)} say={(v) => apartBy(v)} />
      </div>
    {/if}
    <p class="text-soft text-[13.5px]">
      Plans, tops, forecasts and start times in this kiln use {learned.data.used.offset === null
        ? 'the display as it is'
        : `a display that is off by ${apartBy(learned.data.used.offset, 1)}`}, {number(
        learned.data.used.power * 100,
        0
      )} % of its stored power{learned.data.care.offset !== null || learned.data.care.power !== null
        ? `, as somebody said over it: ${learned.data.care.note}`
        : ''}.
      {#if !overruling}<button class="link" onclick={() => (overruling = true)}>Say something else</button
        >{/if}
      {#if !overruling && (learned.data.care.offset !== null || learned.data.care.power !== null)}<button
          class="link"
          onclick={unsay}>Go by what was learned</button
        >{/if}
    </p>
    {#if overruling}<SayInstead {kilnId} care={learned.data.care} onclose={() => (overruling = false)} />{/if}
  </section>
{:else if learned.isError}
  <p role="alert">
    {sayProblem(learned.error)} <button class="link" onclick={() => learned.refetch()}>Try again</button>
  </p>
{/if}

<style>
  dl {
    display: grid;
    gap: 10px 22px;
    grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  }
  dt {
    color: var(--color-soft);
    font-size: 13px;
  }
  dd {
    font-size: 18px;
    font-weight: 650;
  }
  .from {
    font-size: 13px;
    font-weight: 400;
    color: var(--color-soft);
  }
  .lines {
    display: grid;
    gap: 12px;
    grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  }
</style>
