<script lang="ts">
  import { api, sayProblem, type Preview } from '$lib/api/client';
  import { fromSchedule, toBody, type FiringPlace, type PreviewLoop, type ScheduleDraft } from '$lib/editor';
  import WordField from '$lib/fields/WordField.svelte';
  import { hold, number } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import ConeRow from './ConeRow.svelte';
  import LadderDialog from './LadderDialog.svelte';

  interface Props {
    draft: ScheduleDraft;
    place: FiringPlace;
    loop: PreviewLoop;
  }
  const { draft, place, loop }: Props = $props();

  type Body = ReturnType<typeof toBody>;
  let proposal: { text: string; schedule: Body; of: Preview | null } | null = $state.raw(null);
  let refusal: string | null = $state(null);
  let ladder = $state(false);

  const preview = $derived(loop.preview);
  const goal = $derived(draft.body.goalCone);
  const known = $derived(preview?.goalCone ?? null);
  const said = $derived(loop.errors['goalCone']);
  const reading = $derived(preview?.cones.find((c) => c.cone === known));
  /** Within a twentieth of the end point nobody could tell the difference on a shelf. */
  const off = $derived(reading ? Math.abs(reading.progress - 1) > 0.06 : false);

  // A proposal is about the firing it was made for; any edit takes it away.
  $effect(() => {
    if (proposal && preview !== proposal.of) proposal = null;
  });

  async function solve(find: 'top' | 'hold') {
    refusal = null;
    const body = toBody(draft.body);
    const { data, error } = await api.POST('/api/cones/solve', {
      body: { cone: goal, find, schedule: body, ...place.asked }
    });
    if (!data?.schedule) {
      refusal = sayProblem(error);
      return;
    }
    const at = data.segment ?? 0;
    const was = body.segments?.[at];
    const now = data.schedule.segments?.[at];
    const unit = `°${draft.body.unit}`;
    const text =
      find === 'top'
        ? `Top ${number(was?.target ?? 0)} → ${number(now?.target ?? 0)} ${unit}`
        : `Hold ${hold(was?.holdMinutes) || 'none'} → ${hold(now?.holdMinutes) || 'none'}`;
    proposal = { text, schedule: data.schedule, of: preview };
  }

  function take(schedule: Body, what: string) {
    draft.edit({ ...fromSchedule(schedule), name: draft.body.name });
    proposal = null;
    toasts.show(what, { action: { label: 'Undo', run: () => draft.undo() } });
  }
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="witness-cones">
  <div class="mb-1 flex items-baseline justify-between gap-2">
    <h2 id="witness-cones" class="text-[15px]">Witness cones</h2>
    <span class="text-soft">
      goal
      <WordField
        id="goal-cone"
        label="Goal cone, like 04 or 6"
        text={goal ?? ''}
        placeholder="none"
        error={said}
        read={(t) => ({ value: t.trim() || null })}
        onvalue={(goalCone) => draft.edit({ goalCone }, 'goal')}
        onleave={() => draft.history.endGroup()}
      />
    </span>
  </div>
  {#if said}
    <p class="text-error text-[13px]" id="goal-cone-said" role="alert">{said}</p>
  {:else if preview && preview.cones.length}
    <ConeRow cones={preview.cones} goal={known} />
    <p class="mt-1.5" data-testid="cone-words">
      {preview.coneWords}. <a class="link text-soft text-[12.5px]" href="/bench/cones#why">Why?</a>
    </p>
    {#if preview.zeroSlip}<p class="text-error mt-1" role="alert">{preview.zeroSlip}</p>{/if}
    {#if proposal}
      {@const offered = proposal}
      <p class="mt-1.5 flex flex-wrap items-center gap-1" data-testid="proposal">
        <b class="mr-1">{offered.text}</b>
        <button class="btn btn-xs btn-primary" onclick={() => take(offered.schedule, offered.text)}
          >Take it</button
        >
        <button class="btn btn-xs btn-ghost" onclick={() => (proposal = null)}>Leave</button>
      </p>
    {:else if known}
      <p class="mt-1.5 flex flex-wrap gap-1">
        {#if off}
          <button class="btn btn-xs btn-paper" onclick={() => void solve('top')}>Find top</button>
          <button class="btn btn-xs btn-paper" onclick={() => void solve('hold')}>Find hold</button>
        {/if}
        <button class="btn btn-xs btn-paper" onclick={() => (ladder = true)}>Other ways</button>
      </p>
    {/if}
    {#if refusal}<p class="text-error mt-1" role="alert">{refusal}</p>{/if}
  {:else}
    <p class="text-soft">Give a goal, and see how far each cone will bend.</p>
  {/if}
</section>

{#if ladder && known && preview}
  <LadderDialog {draft} {place} cone={known} {preview} ontake={take} onclose={() => (ladder = false)} />
{/if}
