<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { onDestroy, untrack } from 'svelte';
  import type { Kiln, LoadBody, Profile, ScheduleBody } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees, duration, number, plural, shortTime, when } from '$lib/format';
  import { firedAt } from './queries';
  import Switches from '$lib/ui/Switches.svelte';
  import SwitchTable from '$lib/ui/SwitchTable.svelte';
  import { Turning, type Turn } from './turns.svelte';

  interface Props {
    schedule: ScheduleBody;
    name: string;
    kiln: Kiln;
    load?: LoadBody | null | undefined;
    startsAt?: string | null | undefined;
    profile: Profile;
    controllerId: number;
    /** Of a firing it is turned on at its kiln, where everybody sees it. */
    firingId?: number | null | undefined;
  }
  /** Switches turned by the clock: a sheet to print, the next turn in large, and the rest planned anew from a reading. */
  const { schedule, name, kiln, load, startsAt, profile, controllerId, firingId }: Props = $props();

  const turning = new Turning();
  $effect(() => {
    const what = { schedule, kilnId: kiln.id, controllerId, load: load ?? null };
    untrack(() => void turning.of(what));
  });
  onDestroy(() => turning.stop());

  const unit = $derived(schedule.unit ?? 'C');
  const wanted = createQuery(() => firedAt(null, schedule));

  /** Where the wanted curve is at a minute. */
  function wantedAt(minute: number): number | null {
    const curve = wanted.data?.curve ?? [];
    const after = curve.findIndex((p) => p.minute >= minute);
    const [a, b] = [curve[Math.max(0, after - 1)], curve[after]];
    if (!a || !b) return null;
    return b.minute === a.minute
      ? b.temperature
      : a.temperature + ((b.temperature - a.temperature) * (minute - a.minute)) / (b.minute - a.minute);
  }

  let now = $state(Date.now());
  $effect(() => {
    const clock = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(clock);
  });

  const off = $derived(turning.plan?.offMinute ?? 0);
  const next = $derived(turning.next);
  const due = $derived(turning.at(next?.minute ?? off));
  const late = $derived(due === null ? 0 : Math.round((now - due) / 60_000));
  let temperature = $state('');
  let typedWrong = $state(false);

  /** "21:35" once it is known when it starts, else hours after it. */
  function time(minute: number): string {
    const at = turning.at(minute) ?? (startsAt ? Date.parse(startsAt) + minute * 60_000 : null);
    return at === null ? duration(minute) : shortTime(new Date(at));
  }

  async function turned() {
    const read = temperature
      .trim()
      .replace(',', '.')
      .replace(/ ?°?[CF]$/i, '');
    const value = read === '' ? null : Number(read);
    typedWrong = value !== null && Number.isNaN(value);
    if (typedWrong) return;
    temperature = '';
    await turning.turned(Date.now(), value);
  }

  // A reminder rings on this device while the page is open, also behind another one.
  let reminding = $state(false);
  let rung = 0;
  async function remind() {
    if ('Notification' in globalThis && Notification.permission === 'default')
      await Notification.requestPermission();
    reminding = true;
  }
  $effect(() => {
    if (!reminding || due === null || now < due || rung === due) return;
    rung = due;
    const text = next ? `Turn ${sayTurn(next)}` : 'Turn everything off';
    if ('Notification' in globalThis && Notification.permission === 'granted')
      new Notification(`${kiln.kiln.name}: ${text}`);
    navigator.vibrate?.([300, 150, 300]);
    ring();
  });
  function ring() {
    try {
      const audio = new AudioContext();
      const tone = audio.createOscillator();
      tone.connect(audio.destination);
      tone.frequency.value = 660;
      tone.start();
      tone.stop(audio.currentTime + 0.7);
    } catch {
      // A device without sound still shows it.
    }
  }

  const sections = $derived((profile.sections ?? []).map((s) => s?.name ?? ''));
  const sayTurn = (turn: Turn) => turn.positions.map((p, i) => `${sections[i]} ${p}`).join(', ');
  const sayWanted = (at: number | null) => (at === null ? '' : degrees(at, unit));
</script>

<div class="print-head">
  <h1>{name}</h1>
  <p>{kiln.kiln.name} · {profile.name} · {when(new Date())}</p>
</div>

{#if turning.trouble}<p class="text-error" role="alert">{turning.trouble}</p>{/if}
{#each Object.values(turning.errors) as text (text)}<p class="text-error" role="alert">{text}</p>{/each}

{#if turning.plan && turning.plan.turns}
  <div class="stage">
    <div class="grid gap-3 no-print">
      <section class="card-paper now" aria-labelledby="next-turn" data-testid="next-turn">
        {#if turning.underWay}
          <p class="text-soft text-[14px]" id="next-turn">
            On since {shortTime(new Date(turning.underWay.startedAt))}, {plural(turning.done, 'turn')} done
          </p>
          <p class={['big', late > 0 && 'text-error']}>
            {#if late > 0}{late} min late{:else if late === 0}Now{:else}In {duration(-late)}{/if}
          </p>
          <p class="text-[17px]">
            {time(next?.minute ?? off)}: <b>{next ? sayTurn(next) : 'everything off'}</b>
          </p>
          {#if next}
            <Switches
              positions={next.positions}
              {sections}
              all={(profile.positions ?? []).map((p) => p?.word ?? '')}
            />
            <form
              class="flex flex-wrap items-end gap-2 pt-2"
              onsubmit={(e) => {
                e.preventDefault();
                void turned();
              }}
            >
              <label class="grid text-[13.5px]"
                >The pyrometer says, °{unit}
                <input
                  class="input w-36 text-right text-lg"
                  inputmode="decimal"
                  placeholder="not read"
                  bind:value={temperature}
                  aria-invalid={typedWrong ? 'true' : undefined}
                /></label
              >
              <button class="btn btn-primary h-13 flex-1" disabled={turning.busy} data-testid="turned"
                >Turned</button
              >
            </form>
            {#if typedWrong}<p class="text-error text-[13.5px]" role="alert">A temperature, like 640.</p>{/if}
            <p class="text-soft pt-1 text-[13px]">With a reading the turns that follow are planned anew.</p>
          {:else}
            <button class="btn btn-primary h-13 w-full" onclick={() => turning.end()}>It is off</button>
          {/if}
          <div class="flex flex-wrap gap-2 pt-2">
            <button class="btn btn-sm btn-paper" onclick={() => void remind()} disabled={reminding}
              >{reminding ? 'It will ring on this device' : 'Ring when it is time'}</button
            >
            <button class="btn btn-sm btn-ghost" onclick={() => turning.takeBack()}
              >{turning.done > 1 ? 'Undo the last turn' : 'It was not started'}</button
            >
          </div>
          {#if (turning.underWay.readings.length ?? 0) > 0 && turning.plan.power != null}
            <p class="text-soft pt-1 text-[13.5px]" data-testid="power">
              It gives about {number(turning.plan.power * 100, 0)} % of the power on its plate.
            </p>
          {/if}
        {:else}
          <h2 id="next-turn" class="text-[17px]">Switches by the clock</h2>
          <p class="text-soft text-[14px]">
            {plural(turning.turns.length, 'turn')}, off after {duration(off)}. About {degrees(
              turning.plan.rms ?? 0,
              unit
            )} off the curve.
          </p>
          <p class="text-[16px]">First: <b>{turning.turns[0] ? sayTurn(turning.turns[0]) : ''}</b></p>
          {#if firingId}
            <a class="btn btn-primary h-13 w-full" href="/firings/{firingId}?stage=fire" data-testid="to-fire"
              >Fire it: the turns come with you</a
            >
          {:else}
            <button
              class="btn btn-primary h-13 w-full"
              onclick={() => turning.start(Date.now())}
              data-testid="start-turning">It is switched on now</button
            >
          {/if}
        {/if}
        {#if turning.plan.why}<p class="pt-1 text-[14px]">{turning.plan.why}</p>{/if}
      </section>
      {#if wanted.data}
        <FiringChart
          curve={wanted.data.curve.filter((p) => p.minute <= (wanted.data?.poweredMinutes ?? 0))}
          {unit}
          start={turning.underWay ? new Date(turning.underWay.startedAt) : null}
          height={220}
          label="The curve the turns follow"
        />
      {/if}
    </div>
    <section class="card-paper overflow-clip" aria-labelledby="turns">
      <header class="flex items-center gap-3 px-3.5 py-2">
        <h2 id="turns" class="flex-1 text-[17px]">Turns</h2>
        <button class="btn btn-sm btn-paper no-print" onclick={() => window.print()}>Print</button>
      </header>
      <SwitchTable
        {sections}
        before={profile.positions?.[0]?.word ?? 'off'}
        testid="turns"
        rows={turning.turns.map((turn, i) => ({
          when: time(turn.minute),
          positions: turn.positions,
          shouldBe: sayWanted(wantedAt(turn.minute)),
          done: turning.underWay !== null && i < turning.done,
          next: turning.underWay !== null && i === turning.done
        }))}
        off={{
          when: time(off),
          shouldBe: sayWanted(wantedAt(off) ?? wantedAt(off - 1) ?? 0),
          next: turning.underWay !== null && !next
        }}
      />
      <div class="px-3.5 py-2 text-[14px]">
        {#if turning.plan.cutoff}<p>Cut-off cone <b>{turning.plan.cutoff}</b>.</p>{/if}
        {#if turning.plan.timerMinutes != null}<p>
            Timer to <b>{duration(turning.plan.timerMinutes)}</b>.
          </p>{/if}
        <p class="caution">
          A cut-off or timer can fail: somebody is there when it should go off, with the kiln maker’s manual
          at hand.
        </p>
      </div>
    </section>
  </div>
{:else if turning.plan}
  <p class="card-paper p-4" role="alert">{turning.plan.why}</p>
{:else if turning.busy}
  <p class="text-soft p-4" role="status">Looking for turns that follow the curve …</p>
{/if}

<style>
  .stage {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
    gap: 14px;
    align-items: start;
  }
  .now {
    padding: 12px 16px;
    display: grid;
    gap: 4px;
  }
  .big {
    font-size: 44px;
    line-height: 1.1;
    font-weight: 700;
  }
  .caution {
    border-left: 4px solid var(--color-warning);
    padding-left: 8px;
    margin-top: 4px;
    font-size: 13px;
    color: var(--color-soft);
  }
  .print-head {
    display: none;
  }
  @media screen and (max-width: 767px) {
    .stage {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media print {
    .stage {
      grid-template-columns: 1fr;
    }
    .print-head {
      display: block;
    }
  }
</style>
