<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { onDestroy, untrack } from 'svelte';
  import type { Kiln, LoadBody, ScheduleBody } from '$lib/api/client';
  import { number, when } from '$lib/format';
  import BesideWanted from './BesideWanted.svelte';
  import CardHead from './CardHead.svelte';
  import ChooseController from './ChooseController.svelte';
  import EntryCard from './EntryCard.svelte';
  import FitVerdict from './FitVerdict.svelte';
  import Panel from './Panel.svelte';
  import { controllerList } from './queries';
  import ReadBackCard from './ReadBackCard.svelte';
  import { Setting } from './setting.svelte';
  import SetStatus from './SetStatus.svelte';
  import TurnSheet from './TurnSheet.svelte';
  import { labelOf } from './words';

  interface Props {
    schedule: ScheduleBody;
    /** What is set is called so. */
    name: string;
    kiln: Kiln;
    firingId?: number | null;
    scheduleId?: number | null;
    scheduleVersion?: number | null;
    load?: LoadBody | null;
    startsAt?: string | null;
  }
  /** Saying a schedule to the kiln's controller: the card to key it in by, and the proof that it was entered right. */
  const {
    schedule,
    name,
    kiln,
    firingId,
    scheduleId,
    scheduleVersion,
    load,
    startsAt = null
  }: Props = $props();

  const client = useQueryClient();
  const controllers = createQuery(controllerList);
  const controller = $derived(controllers.data?.find((c) => c.id === kiln.kiln.controllerId));
  const profile = $derived(controller?.profile);
  const setting = new Setting();
  let reading = $state(false);
  /** Read back clean just now: what is next is to fire. */
  let isRecorded = $state(false);

  $effect(() => {
    const controllerId = controller?.id;
    const what = { schedule, kilnId: kiln.id, firingId, scheduleId, scheduleVersion, load };
    if (controllerId !== undefined && profile?.give !== 'dials')
      untrack(() => void setting.of({ ...what, controllerId }));
  });
  onDestroy(() => setting.stop());

  const line = $derived(setting.line);
  const all = $derived(setting.lines.length);
  const done = $derived(setting.ticked >= all && all > 0);

  /** What the display says when the line is keyed; the first line ends at the first question, whatever stood there. */
  const shouldSay = $derived.by(() => {
    if (line?.question) return line.display;
    const first = setting.fit?.program?.[0]?.question;
    if (line && setting.ticked === 0 && first && profile) return `${labelOf(profile, first)} …`;
    return done || line ? 'ready' : '';
  });

  function next() {
    if (line) setting.tick(setting.ticked);
    if (setting.ticked >= all) reading = true;
  }

  function recorded() {
    [reading, isRecorded] = [false, true];
    for (const query of [
      ['bank', kiln.id],
      ['summary', firingId],
      ['entries', firingId]
    ])
      void client.invalidateQueries({ queryKey: query });
  }
</script>

{#if controllers.data && !profile}
  <ChooseController {kiln} />
{:else if profile?.give === 'dials'}
  <TurnSheet
    {schedule}
    {name}
    {kiln}
    {load}
    {startsAt}
    {profile}
    controllerId={controller?.id ?? 0}
    {firingId}
  />
{:else if profile}
  <div class="print-head">
    <h1>{name}</h1>
    <p>
      {kiln.kiln.name} · {profile.name}{setting.slot ? ` · program ${setting.slot}` : ''} · {when(new Date())}
    </p>
    <p class="code">{setting.fit?.code}</p>
  </div>
  <SetStatus {setting} kiln={kiln.kiln.name ?? ''} />
  <div class="stage">
    <div class="main">
      <section class={['card-paper overflow-clip', reading && 'only-print']} aria-labelledby="card-title">
        <CardHead {setting} {profile} kilnId={kiln.id} {startsAt} quiet={reading} />
        <EntryCard {profile} lines={setting.lines} ticked={setting.ticked} ontick={(i) => setting.tick(i)} />
      </section>
      {#if reading && setting.fit}
        <div class="no-print">
          <ReadBackCard {setting} {profile} {name} onrecorded={recorded} onback={() => (reading = false)} />
        </div>
      {/if}
      <p class="caution">
        Mains voltage and heat: a controller that does not do what the card says is for the kiln maker’s
        manual or an electrician, not for force.
      </p>
    </div>
    <aside class="side no-print">
      <div class={['now', reading && 'reading']}>
        <Panel
          {profile}
          display={reading ? '' : shouldSay}
          lit={reading ? ['tell', 'take'] : (line?.keys ?? [])}
        />
        <p class="text-soft pt-1 text-[13.5px]" aria-live="polite">
          {#if reading}Press tell, then take for the next value.
          {:else if line?.question}Line {setting.ticked + 1} of {all}: before the last take the display should
            say this.
          {:else if line}Line {setting.ticked + 1} of {all}.
          {:else if done}All lines are keyed. Now read it back.{/if}
        </p>
      </div>
      {#if reading && setting.back?.fired && setting.fit}
        <div class="card-paper verdict px-3.5 py-2.5" data-testid="as-read">
          <h2 class="text-[15px]">With what was read so far it would fire this</h2>
          <BesideWanted
            wanted={setting.fit.schedule ?? schedule}
            fired={setting.back.fired}
            kilnId={kiln.id}
            {load}
          />
        </div>
      {:else if setting.fit}
        <div class="card-paper verdict px-3.5 py-2.5">
          <FitVerdict fit={setting.fit} {schedule} kilnId={kiln.id} {load} controller={profile.name ?? ''} />
        </div>
      {/if}
    </aside>
  </div>
  {#if firingId && !reading && setting.ticked === 0 && (isRecorded || setting.clean)}
    <div class="foot no-print">
      <a class="btn btn-primary big" href="/firings/{firingId}?stage=fire" data-testid="to-fire">On to Fire</a
      >
      <button class="btn btn-paper big" onclick={() => (reading = true)}>Read it back again</button>
    </div>
  {:else if setting.fit && all > 0 && !reading}
    <div class="foot no-print">
      <button class="btn btn-primary big" onclick={next} data-testid="next-line">
        {#if line}Done: {line.question ? line.display : 'begin'}{#if setting.ticked > 0}&nbsp;({number(
              setting.ticked,
              0
            )} of {all}){/if}{:else}Read it back{/if}
      </button>
      {#if line}<button class="btn btn-paper big" onclick={() => (reading = true)}>Read it back</button>{/if}
    </div>
  {/if}
{/if}

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 14px;
    align-items: start;
  }
  .main {
    display: grid;
    gap: 12px;
  }
  .side {
    display: grid;
    gap: 10px;
    position: sticky;
    top: 12px;
  }
  .code {
    font-family: var(--font-mono);
    font-weight: 700;
    letter-spacing: 0.12em;
  }
  .caution {
    font-size: 13px;
    color: var(--color-soft);
    border-left: 4px solid var(--color-warning);
    padding-left: 8px;
  }
  .foot {
    position: sticky;
    bottom: 0;
    display: flex;
    gap: 8px;
    padding: 8px 0;
    background: var(--color-base-200);
  }
  .big {
    min-height: 52px;
    font-size: 16px;
  }
  .foot .btn-primary {
    flex: 1;
  }
  .print-head {
    display: none;
  }
  @media screen {
    .only-print {
      display: none;
    }
  }
  @media screen and (max-width: 1023px) {
    .stage {
      grid-template-columns: minmax(0, 1fr);
    }
    .side {
      display: contents;
    }
    .now {
      order: -1;
    }
    .verdict {
      order: 1;
    }
  }
  @media screen and (max-width: 767px) {
    .foot {
      bottom: 64px;
    }
    /* In the hand only the display stays in sight; the keys stand in the line. */
    .now {
      position: sticky;
      top: 0;
      z-index: 5;
      padding-block: 6px;
      background: var(--color-base-200);
    }
    .reading {
      display: none;
    }
    .now :global(.keys),
    .now :global(.hands) {
      display: none;
    }
  }
  @media print {
    .print-head {
      display: grid;
      grid-template-columns: 1fr auto;
      align-items: baseline;
    }
    .print-head h1 {
      font-size: 22px;
    }
    .print-head p {
      grid-column: 1;
    }
    .print-head .code {
      grid-column: 2;
      grid-row: 1 / 3;
      font-size: 30px;
    }
    .stage {
      grid-template-columns: 1fr;
    }
  }
</style>
