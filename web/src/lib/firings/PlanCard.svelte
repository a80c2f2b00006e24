<script lang="ts">
  import { goto } from '$app/navigation';
  import { api, sayProblem, type Plan, type Preview } from '$lib/api/client';
  import { withAcceptance } from '$lib/findings/acceptance';
  import FindingRows from '$lib/findings/FindingRows.svelte';
  import { clock, degrees, duration, money, number, localFieldOf, withOffset } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { keepKiln } from '$lib/desk/keep';
  import type { FiringDraft } from './firing-draft.svelte';

  /** The plan in a few numbers, when it starts, what a colleague would say of it, and the way to the desk. */
  interface Props {
    draft: FiringDraft;
    plan: Plan;
    preview: Preview;
    onpoint: (stretch: { from: number; to: number } | null) => void;
  }
  const { draft, plan, preview, onpoint }: Props = $props();

  const unit = $derived(draft.body.unit ?? 'C');
  const accepted = $derived((draft.body.accepted ?? []).filter((a) => a !== null));
  const opens = $derived(preview.moments.find((m) => m.kind === 'may-open')?.at);
  const change = $derived.by(() => {
    if (!draft.before) return null;
    const hours = preview.totalMinutes / 60 - draft.before.hours;
    const top = preview.peak - draft.before.top;
    if (Math.abs(hours) < 0.1 && Math.abs(top) < 0.5) return null;
    return `${hours >= 0 ? '+' : '−'}${number(Math.abs(hours))} h, top ${top >= 0 ? '+' : '−'}${number(Math.abs(top), 0)} °${unit}`;
  });

  /** Onto the desk, where every number can be changed; a firing keeps one schedule of its own. */
  async function toDesk() {
    const body = { ...plan.schedule, name: draft.body.name ?? 'Planned' };
    const known = draft.body.scheduleId;
    const over = known
      ? await api.PUT('/api/schedules/{id}', {
          params: { path: { id: known } },
          headers: { 'If-Match': '*' },
          body
        })
      : null;
    const answer = over?.data ? over : await api.POST('/api/schedules', { body });
    if (!answer.data) return toasts.show(sayProblem(answer.error), { tone: 'error' });
    keepKiln(answer.data.id, { kilnId: draft.body.kilnId ?? null, fill: 1 });
    draft.edit({ scheduleId: answer.data.id });
    await draft.store();
    void goto(`/schedules/${answer.data.id}`);
  }
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="the-plan" data-testid="plan-sum">
  <h2 id="the-plan" class="mb-1 text-[15px]">The plan</h2>
  <p>
    {#if plan.schedule.goalCone}<b>Cone {plan.schedule.goalCone}.</b>{/if}
    {#if plan.goalWhy}<span class="text-soft">{plan.goalWhy}</span>{/if}
  </p>
  <p class="mt-1">
    Top <b>{degrees(preview.peak, preview.unit)}</b>, power on for
    <b>{duration(preview.poweredMinutes)}</b>{#if preview.kiln}, <b>{number(preview.kiln.energyKwh, 0)} kWh</b
      >{#if preview.kiln.cost != null && draft.body.startsAt}, <b
          >{money(preview.kiln.cost, preview.kiln.currency)}</b
        >{/if}{/if}.
    {#if change}<span class="text-primary font-semibold" data-testid="plan-change">{change}</span>{/if}
  </p>
  <label class="mt-1.5 flex items-center gap-2"
    >Starts
    <input
      type="datetime-local"
      class="input input-xs min-w-0 flex-1"
      data-testid="starts"
      value={draft.body.startsAt ? localFieldOf(draft.body.startsAt) : ''}
      onchange={(e) =>
        draft.edit({ startsAt: e.currentTarget.value ? withOffset(e.currentTarget.value) : null })}
    />
  </label>
  {#if opens}<p class="text-soft mt-1">May be opened {clock(new Date(opens))}.</p>{/if}
  {#if preview.findings.length}
    <div class="border-base-300 mt-2 border-t pt-2" data-testid="plan-findings">
      <FindingRows
        findings={preview.findings}
        {accepted}
        onpoint={(f) => onpoint(f ? { from: f.fromMinute, to: f.toMinute } : null)}
        onaccept={(finding, note) => draft.edit({ accepted: withAcceptance(accepted, finding, note) })}
        onwithdraw={(id) => draft.edit({ accepted: accepted.filter((a) => a.id !== id) })}
      />
    </div>
  {/if}
  <button class="btn btn-sm btn-primary mt-2 w-full" data-testid="to-desk" onclick={() => void toDesk()}
    >{draft.body.scheduleId ? 'Put it on the desk again' : 'Put it on the desk'}</button
  >
</section>
