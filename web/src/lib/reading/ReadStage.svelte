<script lang="ts">
  import { asSure } from './words';
  import { onScale } from '$lib/said-units';
  import AirCard from './AirCard.svelte';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { api, sayProblem, type Lot, type Packing } from '$lib/api/client';
  import ConflictBanner from '$lib/draft/ConflictBanner.svelte';
  import { saveOnLeaving } from '$lib/draft/leaving.svelte';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import UndoButtons from '$lib/draft/UndoButtons.svelte';
  import { KilnSection, shadesOf } from '$lib/packing';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { faultName } from './faults';
  import PacksCard from './PacksCard.svelte';
  import { causesOf } from './queries';
  import { openReading, type ReadingDraft } from './reading-draft.svelte';
  import ResultsCard from './ResultsCard.svelte';
  import Why from './Why.svelte';

  /** After the firing: packs read, ware counted, causes found, and the next version made. */
  interface Props {
    firingId: number;
    /** As it was packed, where that is known. */
    packing: Packing | null;
    lots: readonly Lot[];
  }
  const { firingId, packing, lots }: Props = $props();

  const client = useQueryClient();
  const opened = createQuery(() => ({
    queryKey: ['reading', firingId],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () => openReading(firingId)
  }));
  let draft = $state.raw<ReadingDraft | null>(null);
  $effect(() => {
    const found = opened.data;
    untrack(() => {
      if (!found || draft === found) return;
      draft?.close();
      draft = found;
    });
  });
  saveOnLeaving(
    () => draft,
    () => void client.invalidateQueries({ queryKey: ['logbook'] })
  );

  const numbers = $derived(packing?.shelves.map((s) => s.number) ?? []);
  let moved = $state<string | null>(null);
  const stands = $derived(moved ?? draft?.view.state ?? null);
  const closed = $derived(stands === 'closed');
  const isOpened = $derived(stands === 'opened' || stands === 'read' || closed);
  let busy = $state(false);
  const causes = createQuery(() => ({
    ...causesOf(firingId, draft?.view.version ?? 0),
    enabled: (draft?.view.reading.results?.faults ?? []).length > 0
  }));
  /** The cause to go by, where something of this firing speaks for it; else how many are as good as each other. */
  const first = $derived(
    (draft?.view.reading.results?.faults ?? []).length > 0
      ? ((causes.data ?? []).find((c) => c.advised) ?? causes.data?.[0])
      : undefined
  );
  const speaks = $derived(first?.evidence.some((e) => e.points > 0) ?? false);

  /** "slow band 0.34 of what it needs (…)" as a sentence of its own. */
  const said = (text: string | undefined) => (text ? `${text[0]?.toUpperCase()}${text.slice(1)}.` : '');

  async function mark(to: 'read' | 'closed', reopen = false) {
    busy = true;
    try {
      await draft?.save();
      const { data, error } = await api.POST(
        to === 'read' ? '/api/firings/{id}/read' : '/api/firings/{id}/closed',
        {
          params: { path: { id: firingId } },
          body: { reopen: reopen || null }
        }
      );
      if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
      moved = data.state;
      void client.invalidateQueries({ queryKey: ['runs'] });
      void client.invalidateQueries({ queryKey: ['run', firingId] });
    } finally {
      busy = false;
    }
  }
</script>

{#if opened.isError}
  <p role="alert">
    {sayProblem(opened.error)} <button class="link" onclick={() => opened.refetch()}>Try again</button>
  </p>
{:else if draft}
  {@const reading = draft}
  {#if !isOpened}
    <p class="card-paper max-w-xl p-4">
      The kiln is not open yet. Packs are read and ware is counted once it is;
      <a class="link" href="/firings/{firingId}?stage=fire">see how it goes</a>.
    </p>
  {:else}
    <div class="flex flex-wrap items-center justify-between gap-2">
      <div class="flex items-center gap-2">
        <SaveLine draft={reading} testid="reading-saved" />
        <UndoButtons draft={reading} />
      </div>
      <div class="flex flex-wrap gap-2">
        <a class="btn btn-ghost btn-sm" href="/firings/{firingId}/sheet">Log sheet</a>
        <a class="btn btn-ghost btn-sm" href="/api/firings/{firingId}/log.csv" download>CSV</a>
        <a class="btn btn-ghost btn-sm" href="/api/firings/{firingId}/file" download>File</a>
        {#if stands === 'opened'}<button
            class="btn btn-paper btn-sm"
            disabled={busy}
            data-testid="mark-read"
            onclick={() => void mark('read')}>All read</button
          >{/if}
        {#if closed}<button
            class="btn btn-paper btn-sm"
            disabled={busy}
            onclick={() => void mark('closed', true)}>Open it again</button
          >{:else if stands === 'read'}<button
            class="btn btn-paper btn-sm"
            disabled={busy}
            onclick={() => void mark('closed')}>Close this firing</button
          >{/if}
      </div>
    </div>
    <ConflictBanner draft={reading} what="reading" />
    {#if first}
      <p class="card-paper px-4 py-2.5" data-testid="why-line">
        {#if speaks}
          <b>{asSure(faultName(first.fault), first.cause, first.probability)}</b>
          {onScale(said(first.evidence.findLast((e) => e.points > 0)?.text))}
          {#if first.patch}<a class="link" href="#what-to-change">What to change</a>{/if}
        {:else}
          <b>{faultName(first.fault)}: nothing that was measured says why.</b>
          Several causes are as likely as each other.
          <a class="link" href="#what-to-change">See them, and what would tell them apart</a>
        {/if}
      </p>
    {/if}
    <div class="read">
      <PacksCard draft={reading} {numbers} {closed} />
      <ResultsCard draft={reading} {closed} />
    </div>
    {#if reading.view.air}<AirCard air={reading.view.air} />{/if}
    {#if packing}
      <details class="card-paper p-4">
        <summary class="cursor-pointer">The kiln as it was packed</summary>
        <KilnSection {packing} {lots} shades={shadesOf(lots)} />
      </details>
    {/if}
    {#if reading.view.version > 0 && (reading.view.reading.results?.faults ?? []).length > 0}
      <div id="what-to-change"><Why view={reading.view} saved={reading.isSafe} /></div>
    {/if}
  {/if}
{:else if opened.isSuccess}
  <section class="card-paper max-w-xl p-5">
    <h2 class="mb-1 text-[17px]">Nothing to read yet</h2>
    <p class="text-soft">
      This firing was not started here. <a class="link" href="/firings/{firingId}?stage=fire"
        >Start it, or import its log</a
      >; then its packs and its ware are read here.
    </p>
  </section>
{/if}

<style>
  .read {
    display: grid;
    gap: 14px;
    grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
    align-items: start;
  }
  @media (max-width: 1023px) {
    .read {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
