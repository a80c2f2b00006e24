<script lang="ts">
  import { weight } from '$lib/scales';
  import { page } from '$app/state';
  import type { FiringBody, Plan, Preview } from '$lib/api/client';
  import { FindingRows, withAcceptance } from '$lib/findings';
  import MomentField from '$lib/fields/MomentField.svelte';
  import { clock, degrees, duration, momentAt, money, number } from '$lib/format';
  import type { FiringDraft } from './firing-draft.svelte';
  import { startDialog } from '$lib/starts';
  import OpenInEditor from './OpenInEditor.svelte';

  /** The plan in a few numbers, when it starts, what a colleague would say of it, and the way to the editor. */
  interface Props {
    draft: FiringDraft;
    plan: Plan;
    preview: Preview;
    onpoint: (stretch: { from: number; to: number } | null) => void;
  }
  const { draft, plan, preview, onpoint }: Props = $props();

  /** Said with the firing: when it is to be open, or that it should be cheap; a start is looked for at once. */
  const by = page.url.searchParams.get('openBy');
  let finding = $state(by !== null || page.url.searchParams.has('cheap'));
  const unit = $derived(draft.body.unit ?? 'C');
  const fuel = $derived(preview.kiln?.fuel);
  const accepted = $derived((draft.body.accepted ?? []).filter((a) => a !== null));
  /** What an offer changes at one press; the long firing is the one that is planned. */
  const takes: Partial<Record<string, { label: string; change: Partial<FiringBody> }>> = {
    'dry-tonight': { label: 'Plan the drying', change: { kind: 'drying', goalCone: null } },
    'cool-by-itself': { label: 'Plan it so', change: { cooling: 'off' } }
  };
  const opens = $derived(preview.moments.find((m) => m.kind === 'may-open')?.at);
  const change = $derived.by(() => {
    if (!draft.before) return null;
    const hours = preview.totalMinutes / 60 - draft.before.hours;
    const top = preview.peak - draft.before.top;
    if (Math.abs(hours) < 0.1 && Math.abs(top) < 0.5) return null;
    return `${hours >= 0 ? '+' : '−'}${number(Math.abs(hours))} h, top ${top >= 0 ? '+' : '−'}${number(Math.abs(top), 0)} °${unit}`;
  });
</script>

<section class="card-paper px-3.5 py-2.5 text-[13.5px]" aria-labelledby="the-plan" data-testid="plan-sum">
  <h2 id="the-plan" class="mb-1 text-[15px]">The plan</h2>
  <p>
    {#if plan.schedule.goalCone}<b>Cone {plan.schedule.goalCone}.</b>{/if}
    {#if plan.goalWhy}<span class="text-soft">{plan.goalWhy}</span>{/if}
  </p>
  <p class="mt-1">
    Top <b>{degrees(preview.peak, preview.unit)}</b>, {fuel ? 'burners' : 'power'} on for
    <b>{duration(preview.poweredMinutes)}</b>{#if preview.kiln}, <b
        >{fuel ? `${weight(fuel.kg)} of gas` : `${number(preview.kiln.energyKwh, 0)} kWh`}</b
      >{#if preview.kiln.cost != null && draft.body.startsAt}, <b
          >{money(preview.kiln.cost, preview.kiln.currency)}</b
        >{/if}{/if}.
    {#if change}<span class="text-primary font-semibold" data-testid="plan-change">{change}</span>{/if}
  </p>
  <div class="mt-1.5 flex items-center gap-2">
    Starts
    <MomentField
      id="starts"
      label="Start of the firing"
      moment={draft.body.startsAt ?? null}
      onvalue={(startsAt) => draft.edit({ startsAt }, 'starts')}
    />
    <button class="btn btn-xs btn-paper" onclick={() => (finding = true)}>Find a start</button>
  </div>
  {#if opens}<p class="text-soft mt-1">May be opened {clock(new Date(opens))}.</p>{/if}
  {#if draft.body.anyway}<p class="mt-1" data-testid="anyway">
      <span class="text-warning font-semibold">Planned as you asked, against advice.</span>
      <button class="link" onclick={() => draft.edit({ anyway: false })}>Ask me again</button>
    </p>{/if}
  {#each plan.notes.filter((n) => n.id === 'worn-elements') as note (note.id)}<p
      class="border-base-300 mt-2 border-t pt-2"
      data-testid="worn-elements"
    >
      {note.text}
    </p>{/each}
  {#if plan.offers.length}
    <div class="border-base-300 mt-2 border-t pt-2" data-testid="plan-offers">
      <b>This controller takes few steps. Either:</b>
      {#each plan.offers as offer (offer.id)}{@const take = takes[offer.id]}
        <p class="mt-1">
          {offer.text}
          {#if offer.cost != null}<span class="text-soft"
              >About {money(offer.cost, preview.kiln?.currency ?? '')}.</span
            >{/if}
          {#if take}<button class="link underline" onclick={() => draft.edit(take.change)}
              >{take.label}</button
            >{/if}
        </p>{/each}
    </div>
  {/if}
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
  <OpenInEditor {draft} {plan} />
</section>

{#if finding}
  {#await startDialog() then { default: StartDialog }}
    <StartDialog
      asked={{
        schedule: plan.schedule,
        kilnId: draft.body.kilnId ?? null,
        load: { lots: draft.written.map((w) => w.lot) }
      }}
      line={preview.line}
      {by}
      ontake={(at) => draft.edit({ startsAt: momentAt(at) })}
      onclose={() => (finding = false)}
    />
  {/await}
{/if}
