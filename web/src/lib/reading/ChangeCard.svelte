<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { api, saveKey, sayProblem, type Problem } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { ConeRow } from '$lib/cones';
  import { display } from '$lib/display.svelte';
  import { degrees, duration, money, number } from '$lib/format';
  import { studioSettings } from '$lib/studio/queries';
  import { createQuery } from '@tanstack/svelte-query';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { tryOnTiles } from './try-on-tiles';
  import type { Patch, ReadingView } from './reading-draft.svelte';
  import { bendWords } from './words';
  import { toUnit } from '$lib/units';

  /** One change, before and after: curve, cones, hours, cost; made the next version with one press, or tried on tiles first. */
  interface Props {
    view: ReadingView;
    patch: Patch;
    fault: string;
    advised: boolean;
  }
  const { view, patch, fault, advised }: Props = $props();

  const client = useQueryClient();
  const studio = createQuery(studioSettings);
  const unit = $derived(display.unit);
  const curve = (side: NonNullable<Patch['before']>) =>
    side.curve.map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }));
  const cones = (side: NonNullable<Patch['before']>) =>
    side.cones.map((c) => ({
      cone: c.cone,
      bendDegrees: c.bendDegrees,
      words: bendWords(c.bendDegrees),
      progress: 0,
      clock: c.bendDegrees / 15
    }));
  const currency = $derived(studio.data?.studio.currency ?? '');
  let busy = $state(false);
  let moved: { detail: string; present: number } | null = $state(null);
  let made: { scheduleId: number; version: number } | null = $state(null);
  const key = $derived(`${view.firingId}-${view.version}-${patch.name}`);

  async function make(over?: number): Promise<{ scheduleId: number; version: number } | null> {
    if (made) return made;
    busy = true;
    try {
      const { data, error } = await api.POST('/api/firings/{id}/change', {
        params: { path: { id: view.firingId } },
        body: { patch: patch.name, overVersion: over ?? null },
        headers: saveKey(key)
      });
      if (data) {
        moved = null;
        made = data;
        void client.invalidateQueries({ queryKey: ['schedules'] });
        void client.invalidateQueries({ queryKey: ['schedule', data.scheduleId] });
        return data;
      }
      const problem = error as Problem & { presentVersion?: number };
      if (problem.presentVersion) moved = { detail: problem.detail ?? '', present: problem.presentVersion };
      else toasts.show(sayProblem(error), { tone: 'error' });
      return null;
    } finally {
      busy = false;
    }
  }

  async function next(over?: number) {
    const version = await make(over);
    if (!version) return;
    toasts.show(`Version ${version.version} saved`, {
      action: { label: 'Open it', run: () => void goto(`/schedules/${version.scheduleId}`) }
    });
  }

  async function tiles() {
    const version = await make();
    if (!version) return;
    const id = await tryOnTiles(view, version, fault);
    if (id === null) return;
    await client.invalidateQueries({ queryKey: ['firings'] });
    void goto(`/firings/${id}`);
  }
</script>

<p data-testid="patch" data-patch={patch.name}>
  {#if advised}<b class="text-primary">Change this first.</b>{/if}
  {onScale(patch.text)}
</p>
{#if patch.note}<p class="text-soft text-[13.5px]">{onScale(patch.note)}</p>{/if}
{#if patch.before && patch.after}
  <FiringChart
    curve={curve(patch.after)}
    asked={curve(patch.before)}
    {unit}
    height={190}
    label="After the change, glowing, and before it, thin"
  />
  <table class="sides">
    <thead><tr><th></th><th>As fired</th><th>Changed</th></tr></thead>
    <tbody>
      <tr
        ><th>Top and hold</th>{#each [patch.before, patch.after] as side, i (i)}<td
            >{degrees(toUnit(side.top, unit), unit)}, {number(side.holdMinutes, 0)} min</td
          >{/each}</tr
      >
      <tr
        ><th>Power on</th>{#each [patch.before, patch.after] as side, i (i)}<td>{duration(side.minutes)}</td
          >{/each}</tr
      >
      <tr
        ><th>Safe to open after</th>{#each [patch.before, patch.after] as side, i (i)}<td
            >{duration(side.openMinute)}</td
          >{/each}</tr
      >
      <tr
        ><th>Cost</th>{#each [patch.before, patch.after] as side, i (i)}<td
            >{side.kwh === null ? '' : `${number(side.kwh, 0)} kWh`}{side.cost === null
              ? ''
              : `, about ${money(side.cost, currency)}`}</td
          >{/each}</tr
      >
    </tbody>
  </table>
  <div class="pair">
    {#each [patch.before, patch.after] as side, i (i)}
      <figure>
        <ConeRow cones={cones(side)} goal={view.goalCone} />
        <figcaption class="text-soft text-center text-[12.5px]">
          {i === 0 ? 'as fired' : 'changed'}
        </figcaption>
      </figure>
    {/each}
  </div>
{/if}
{#if moved}
  <div class="grid gap-2 border-l-3 border-warning pl-3" role="alert">
    <p>{moved.detail}</p>
    <div class="flex gap-2">
      <button class="btn btn-sm btn-primary" disabled={busy} onclick={() => void next(moved?.present)}
        >Make it the next version</button
      >
      <button class="btn btn-sm btn-ghost" onclick={() => (moved = null)}>Leave it</button>
    </div>
  </div>
{:else if made}
  <p role="status">
    Saved as version {made.version} of
    <a class="link" href="/schedules/{made.scheduleId}">{view.schedule?.name ?? 'its schedule'}</a>, with the
    reason and this firing beside it.
    <button class="link" disabled={busy} onclick={() => void tiles()}>Try it on test tiles first</button>
  </p>
{:else if patch.schedule}
  <div class="flex flex-wrap gap-2">
    <button
      class="btn btn-primary min-h-11"
      disabled={busy}
      data-testid="make-version"
      onclick={() => void next()}>Make it the next version</button
    >
    <button class="btn btn-paper min-h-11" disabled={busy} onclick={() => void tiles()}
      >Try on test tiles first</button
    >
  </div>
  <p class="text-soft text-[13px]">One change at a time; then read again.</p>
{/if}

<style>
  .sides {
    width: 100%;
    font-size: 13.5px;
  }
  .sides th {
    text-align: left;
    font-weight: 500;
    color: var(--color-soft);
    padding: 2px 8px 2px 0;
  }
  .sides td {
    padding: 2px 8px 2px 0;
    font-variant-numeric: tabular-nums;
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 16px;
  }
</style>
