<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { createQuery } from '@tanstack/svelte-query';
  import { sayProblem } from '$lib/api/client';
  import { plural } from '$lib/format';
  import ChangeCard from './ChangeCard.svelte';
  import { faultName } from './faults';
  import { causesOf } from './queries';
  import type { Cause, ReadingView } from './reading-draft.svelte';
  import WhyChart from './WhyChart.svelte';
  import { lies } from './words';

  /** Why the faults came, by this firing's own numbers, and the one change to make. */
  interface Props {
    view: ReadingView;
    /** Saved as it stands; until then the answer is that of the save before. */
    saved: boolean;
  }
  const { view, saved }: Props = $props();

  const causes = createQuery(() => causesOf(view.firingId, view.version));
  const faults = $derived([...new Set((causes.data ?? []).map((c) => c.fault))]);
  const leading = $derived((causes.data ?? []).filter((c) => c.leads));
  const conflicts = $derived([...new Set((causes.data ?? []).flatMap((c) => c.conflicts))]);
  let pointed: Cause['evidence'][number] | null = $state(null);
  /** A change somebody wants to look at, instead of the advised one. */
  let chosen: string | null = $state(null);
  const changes = $derived([
    ...new Map((causes.data ?? []).flatMap((c) => (c.patch ? [[c.patch.name, c] as const] : []))).values()
  ]);
  const advised = $derived(
    (causes.data ?? []).find((c) => c.advised && c.patch) ?? leading.find((c) => c.patch) ?? null
  );
  const change = $derived(changes.find((c) => c.patch?.name === chosen) ?? advised);
  let all = $state(false);
  const shown = (fault: string) =>
    (causes.data ?? [])
      .filter((c) => c.fault === fault && (all || c.leads || c.probability >= 0.12))
      .slice(0, all ? 20 : 3);
  /** Two limits of one number met: the stricter, told last, says it all. */
  const evidence = (cause: Cause) =>
    cause.evidence.filter(
      (e, i) => !cause.evidence.some((o, j) => j > i && o.value !== null && stem(o.text) === stem(e.text))
    );
  const stem = (text: string) => text.split('(')[0];
</script>

{#if causes.isError}
  <p class="card-paper p-4" role="alert">
    {sayProblem(causes.error)} <button class="link" onclick={() => causes.refetch()}>Try again</button>
  </p>
{:else if causes.data && causes.data.length > 0}
  <div class="why" data-testid="why" aria-busy={!saved}>
    <section class="card-paper grid content-start gap-3 p-4" aria-label="Why">
      <h2 class="text-[17px]">Why</h2>
      {#each faults as fault (fault)}
        <div class="grid gap-2">
          {#if faults.length > 1}<h3 class="text-[15px]">{faultName(fault)}</h3>{/if}
          {#each shown(fault) as cause (cause.cause)}
            <article class={['cause', cause.leads && 'leads']} data-testid="cause" data-leads={cause.leads}>
              <p>
                <b>{onScale(`${cause.cause[0]?.toUpperCase()}${cause.cause.slice(1)}`)}</b>
                <span class="text-soft text-[13px]"
                  >lies in {lies[cause.from]}, weighs {Math.round(cause.probability * 100)} of 100</span
                >
              </p>
              {#each evidence(cause) as e (e.text)}
                <button
                  class={['evidence', e.points < 0 && 'against']}
                  disabled={e.fromMinute === null}
                  onpointerenter={() => (pointed = e)}
                  onpointerleave={() => (pointed = null)}
                  onfocus={() => (pointed = e)}
                  onblur={() => (pointed = null)}>{e.points > 0 ? '+' : '−'} {onScale(e.text)}</button
                >
              {/each}
              {#if cause.evidence.length === 0}<span class="text-soft text-[13px]"
                  >nothing of this firing speaks for it or against it</span
                >{/if}
              {#if cause.leads && !cause.patch}<p class="text-[13.5px]">
                  No schedule puts this right; it lies in {lies[cause.from]}.
                </p>{/if}
            </article>
          {/each}
        </div>
      {/each}
      {#if !all && (causes.data?.length ?? 0) > faults.length * 3}<button
          class="link text-soft justify-self-start text-[13.5px]"
          onclick={() => (all = true)}>Every cause that was weighed</button
        >{/if}
      <p class="text-soft text-[12.5px]">
        Weights compare causes with each other; they are no frequencies. What nobody measured counts for
        nothing.
      </p>
      {#if view.hasLog}<WhyChart firingId={view.firingId} causes={leading} {pointed} />{/if}
    </section>
    <section class="card-paper grid content-start gap-3 p-4" aria-label="What to change">
      <div class="flex flex-wrap items-center justify-between gap-2">
        <h2 class="text-[17px]">What to change</h2>
        {#if changes.length > 1}
          <label class="text-soft text-[13px]"
            >{plural(changes.length, 'change')}
            <select
              class="select select-xs w-auto max-w-56"
              value={change?.patch?.name}
              onchange={(e) => (chosen = e.currentTarget.value)}
            >
              {#each changes as c (c.patch?.name)}<option value={c.patch?.name}
                  >for: {c.cause}{c === advised ? ' (advised)' : ''}</option
                >{/each}
            </select></label
          >
        {/if}
      </div>
      {#each conflicts as text (text)}<p class="conflict">{text}</p>{/each}
      {#if change?.patch}
        <ChangeCard {view} patch={change.patch} fault={change.fault} advised={change === advised} />
      {:else}
        <p>
          No firing puts this right. Look where it lies: {leading.map((c) => lies[c.from]).join(', ')}.
        </p>
      {/if}
    </section>
  </div>
{:else if causes.isPending}
  <p class="text-soft" aria-live="polite">Weighing causes …</p>
{/if}

<style>
  .why {
    display: grid;
    gap: 14px;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  }
  .cause {
    display: grid;
    gap: 2px;
    justify-items: start;
    border-left: 3px solid var(--color-base-300);
    padding-left: 10px;
  }
  .leads {
    border-color: var(--color-primary);
  }
  .evidence {
    text-align: left;
    font-size: 13.5px;
    color: var(--color-success);
    text-decoration: underline dotted;
    text-underline-offset: 3px;
    cursor: help;
  }
  .evidence:disabled {
    text-decoration: none;
    cursor: default;
  }
  .against {
    color: var(--color-soft);
  }
  .conflict {
    border-left: 3px solid var(--color-warning);
    padding-left: 10px;
  }
  @media (max-width: 1023px) {
    .why {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
