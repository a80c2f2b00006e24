<script lang="ts">
  import { tick, untrack } from 'svelte';
  import {
    api,
    sayProblem,
    type Fit,
    type PracticeResult,
    type PracticeTask,
    type Profile
  } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { degrees } from '$lib/format';
  import LivePanel from './LivePanel.svelte';
  import { Machine } from './machine.svelte';
  import ScheduleLines from './ScheduleLines.svelte';
  import SimulatedFiring from './SimulatedFiring.svelte';
  import { keyWords, labelOf, minutesOf } from './words';

  interface Props {
    task: PracticeTask;
    profile: Profile;
    controllerId: number;
    ontried: () => void;
    onnext: () => void;
  }
  /** One task: the printed schedule, the controller to enter it at, hints when asked for, and what came of it. */
  const { task, profile, controllerId, ontried, onnext }: Props = $props();

  const machine = new Machine();
  let card: Fit | null = $state.raw(null);
  let curve: { minute: number; temperature: number }[] = $state.raw([]);
  let result: PracticeResult | null = $state.raw(null);
  let trouble: string | null = $state(null);
  let hints = $state(0);
  let hinted: string | null = $state(null);
  let answers: string[] = $state([]);
  let found = $state('');
  let begun = Date.now();
  let told: HTMLElement | undefined = $state();

  async function begin() {
    [result, trouble, hints, hinted, answers, found, begun] = [null, null, 0, null, [], '', Date.now()];
    await machine.of(profile, task.memory);
    const fit = await api.POST('/api/controllers/fit', {
      body: { schedule: task.schedule, profileId: controllerId, slot: task.slot ?? null }
    });
    card = fit.data ?? null;
    const preview = await api.POST('/api/preview', { body: { schedule: task.schedule } });
    curve = preview.data?.curve ?? [];
  }
  $effect(() => {
    void task.id;
    untrack(() => void begin());
  });

  /** What is to be pressed now, as far as the card goes. */
  const nextKeys = $derived.by(() => {
    const memory = machine.state?.memory;
    const lines = card?.keystrokes ?? [];
    if (!memory || machine.state?.state === 'rest') return ['open'];
    if (machine.state?.state === 'fault') return ['wipe'];
    if (machine.state?.state === 'ready') {
      const hands = lines.at(-1)?.question ? [] : (lines.at(-1)?.keys ?? []);
      const open = hands.filter((h) => !machine.done.includes(h.slice(5)));
      return open.length ? open : ['fire'];
    }
    return lines.find((l) => l.question === memory.at)?.keys ?? ['take'];
  });

  function hint() {
    hints++;
    hinted = nextKeys.map(keyWords).join(', ');
  }
  $effect(() => {
    void machine.display;
    untrack(() => (hinted = null));
  });

  /** "8 h 30" of a time, a number of anything else. */
  const valueOf = (text: string) =>
    /[:h]|min/.test(text)
      ? minutesOf(text)
      : text.trim() === ''
        ? null
        : Number(text.replace(/[^\d.]/g, '')) || 0;

  async function check() {
    try {
      const { data, error } = await api.POST('/api/practice/check', {
        body: {
          profileId: controllerId,
          task: task.id,
          memory: machine.state?.memory ?? null,
          answers: task.kind === 'read' ? task.questions.map((_, i) => valueOf(answers[i] ?? '')) : null,
          found: found || null,
          seconds: Math.min(86_400, (Date.now() - begun) / 1000),
          hints
        }
      });
      trouble = data ? null : sayProblem(error);
      result = data ?? null;
      if (data) ontried();
      await tick();
      told?.scrollIntoView({ block: 'nearest' });
    } catch (error) {
      trouble = sayProblem(error);
    }
  }

  const enters = $derived(task.kind === 'enter' || task.kind === 'leftovers');
  const fired = $derived(machine.state?.state === 'firing');
  // Fired is checked by itself: that is what a controller does, too.
  let checkedAt = -1;
  $effect(() => {
    if (!enters || !fired || checkedAt === machine.pressed.length) return;
    checkedAt = machine.pressed.length;
    untrack(() => void check());
  });
</script>

<div class="task" data-units="own">
  <section class="grid content-start gap-3">
    <div class="card-paper px-4 py-3">
      <h2 class="text-[17px]">{task.schedule.name}</h2>
      <ScheduleLines schedule={task.schedule} />
    </div>
    {#if curve.length && !(enters && result?.schedule)}
      <FiringChart {curve} unit={task.schedule.unit ?? 'C'} height={170} label="The schedule as a curve" />
    {/if}
    {#if result}
      <div
        bind:this={told}
        class={['card-paper result px-4 py-3', result.done ? 'good' : 'bad']}
        role="status"
        data-testid="practice-result"
      >
        <p class="text-[16px] font-semibold">{result.text}</p>
        {#if task.kind !== 'find' || result.done}
          {#each result.differences as d (d.question)}
            <p class="text-[14px]">
              <b>{labelOf(profile, d.question)}</b> reads {d.shown}{d.wanted != null
                ? ` for ${d.wanted}`
                : ''}. {d.consequence}
            </p>
          {/each}
          {#if result.slips[0] && enters}<p class="text-[14px]">
              <b>Probably:</b>
              {result.slips[0].text}
            </p>{/if}
        {/if}
        <div class="flex flex-wrap gap-2 pt-2">
          {#if result.done}<button class="btn btn-sm btn-primary" onclick={onnext}>Next task</button>{/if}
          <button class="btn btn-sm btn-paper" onclick={() => void begin()}>Begin again</button>
        </div>
      </div>
      {#if enters && result.schedule}
        <SimulatedFiring wanted={curve} schedule={result.schedule} />
      {/if}
    {/if}
  </section>
  <section class="grid content-start gap-3">
    {#if task.kind === 'read'}
      <form
        class="card-paper grid gap-2 px-4 py-3"
        onsubmit={(e) => {
          e.preventDefault();
          void check();
        }}
      >
        {#each task.questions as question, i (i)}
          <label class="grid grid-cols-[minmax(0,1fr)_130px] items-center gap-3 text-[15px]"
            >{question}
            <input
              class="input text-right"
              autocomplete="off"
              placeholder={i === 0
                ? degrees(0, task.schedule.unit ?? 'C').replace('0', '–')
                : i === 1
                  ? 'min'
                  : 'h:min'}
              bind:value={answers[i]}
            />
          </label>
        {/each}
        <button class="btn btn-primary">Check</button>
      </form>
    {:else}
      {#if task.kind === 'find'}
        <p class="text-[15px]">
          Somebody entered this{task.slot ? ` in program ${task.slot}` : ''}, but for one value. Press tell,
          then take for each next value, and compare with what it should be.
        </p>
      {:else}
        <p class="text-[15px]">
          Enter it{task.slot ? ` in program ${task.slot}` : ''} and fire.
          {#if task.kind === 'leftovers'}Somebody used this controller before and went home in the middle.{/if}
        </p>
      {/if}
      <LivePanel {machine} {profile} lit={hinted ? nextKeys : []} />
      {#if task.kind === 'find'}
        <div class="card-paper overflow-clip">
          <table class="table">
            <thead class="text-soft"><tr><th>It should say</th><th></th></tr></thead>
            <tbody>
              {#each task.program as answer (answer.question)}
                <tr class={[found === answer.question && 'chosen']}>
                  <td>{labelOf(profile, answer.question)} <b class="font-mono">{answer.shown}</b></td>
                  <td class="text-right"
                    ><button
                      class="btn btn-xs btn-paper"
                      onclick={() => {
                        found = answer.question;
                        void check();
                      }}>This one is wrong</button
                    ></td
                  >
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {:else}
        <div class="flex flex-wrap items-center gap-2">
          <button class="btn btn-sm btn-paper" onclick={hint}>Hint</button>
          {#if hinted}<p class="text-[15px]" role="status" data-testid="hint">Press {hinted}.</p>{/if}
          <span class="flex-1"></span>
          <button class="btn btn-sm btn-ghost" onclick={() => void check()}>Check what is entered</button>
        </div>
        {#if card && card.fits !== 'exactly'}
          <p class="text-soft text-[13.5px]">
            {profile.name} can’t be told this exactly; enter the nearest:
            {#each card.program as a, i (a.question)}{i > 0 ? ', ' : ''}{labelOf(profile, a.question)}
              <b>{a.shown}</b>{/each}.
          </p>
        {/if}
      {/if}
    {/if}
    {#if trouble}<p class="text-error text-[14px]" role="alert">{trouble}</p>{/if}
  </section>
</div>

<style>
  .task {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 16px;
    align-items: start;
  }
  .result {
    border-left: 4px solid var(--color-warning);
  }
  .good {
    border-left-color: var(--color-success);
  }
  .chosen td {
    background: var(--color-accent);
    color: var(--color-accent-content);
  }
  td {
    padding: 5px 14px;
  }
  @media (max-width: 900px) {
    .task {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
