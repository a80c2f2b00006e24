<script lang="ts">
  import { untrack } from 'svelte';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration } from '$lib/format';
  import ChoicesCard from './ChoicesCard.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import { TaughtLine } from '$lib/learning';
  import { LastTime } from '$lib/logbook';
  import PlanCard from './PlanCard.svelte';
  import PlanSteps from './PlanSteps.svelte';
  import { WhatIfs } from './what-if.svelte';
  import WhatIfStrip from './WhatIfStrip.svelte';

  /** The proposed schedule with its reasons, the what-ifs one may ask of it, and the choices practitioners differ on. */
  const { draft }: { draft: FiringDraft } = $props();

  const whatIfs = $derived(new WhatIfs(draft));
  const plan = $derived(draft.plan);
  const preview = $derived(draft.preview);
  const trouble = $derived([...new Set(Object.values(draft.planErrors))]);
  let marked: { from: number; to: number } | null = $state.raw(null);

  /** The changed firing beside this one; one that starts later stands later. */
  const changed = $derived(
    whatIfs.answer?.curve.map((p) => ({
      ...p,
      minute: p.minute + 60 * Math.max(0, whatIfs.changes.laterHours)
    }))
  );

  // A what-if is asked again of every new plan.
  $effect(() => {
    void draft.preview;
    untrack(() => void whatIfs.ask());
  });
</script>

<div class="stage">
  <div class="grid content-start gap-2.5">
    {#if plan && preview}
      <FiringChart
        curve={[...preview.curve, ...(preview.kiln?.cooling.slice(1) ?? [])]}
        asked={preview.kiln?.setpoint}
        other={changed}
        start={draft.body.startsAt ? new Date(draft.body.startsAt) : null}
        {marked}
        unit={preview.unit}
        bands={preview.bands}
        poweredMinutes={preview.poweredMinutes}
        height={250}
        label="The proposed firing: top {degrees(preview.peak, preview.unit)}, {duration(
          preview.totalMinutes
        )} in all"
      >
        {#snippet children(frame)}{#if preview.kiln?.airStretches}{@const stretches =
              preview.kiln.airStretches}
            {#await import('$lib/fuel/AirStrip.svelte') then { default: AirStrip }}<AirStrip
                {frame}
                {stretches}
                until={preview.poweredMinutes}
              />{/await}{/if}{/snippet}
      </FiringChart>
      <WhatIfStrip {draft} {whatIfs} />
      <PlanSteps {plan} {preview} unit={draft.body.unit ?? 'C'} onpoint={(stretch) => (marked = stretch)} />
    {:else}
      <div class="card-paper p-5" data-testid="no-plan">
        {#each trouble as text (text)}<p class="text-error" role="alert">{text}</p>{:else}<p
            class="text-soft"
          >
            The plan appears with the load.
          </p>{/each}
        {#if draft.ways.length}
          <div class="mt-3 flex flex-wrap gap-2" data-testid="ways-on">
            {#each draft.ways as way (way.text)}<button
                class="btn btn-paper h-auto min-h-11 py-2 text-left"
                onclick={() => draft.take(way)}>{way.text}</button
              >{/each}
          </div>
        {/if}
      </div>
    {/if}
  </div>
  <aside class="grid content-start gap-2.5">
    {#if plan && preview}
      <PlanCard {draft} {plan} {preview} onpoint={(stretch) => (marked = stretch)} />
    {/if}
    {#if draft.body.kilnId}<TaughtLine kilnId={draft.body.kilnId} />{/if}
    <LastTime
      firing={draft.body}
      onuse={(scheduleId, scheduleVersion) => draft.edit({ scheduleId, scheduleVersion })}
    />
    <ChoicesCard {draft} />
    <p class="text-soft text-[12.5px]">
      All of this is estimated. The check for steam, the cones and the kiln maker's manual come first.
    </p>
  </aside>
</div>

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: 14px;
  }
  @media (max-width: 1023px) {
    .stage {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
