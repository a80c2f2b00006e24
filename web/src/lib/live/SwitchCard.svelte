<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { duration, number, plural, shortTime } from '$lib/format';
  import { heat } from '$lib/scales';
  import Switches from '$lib/ui/Switches.svelte';
  import SwitchTable from '$lib/ui/SwitchTable.svelte';
  import type { EntryRequest, SwitchTurns } from './types';
  import { readOff } from './words';

  /** A kiln with switches under way: the next turn in large, one press when it is made, and the turns to come. */
  interface Props {
    plan: SwitchTurns;
    unit: 'C' | 'F';
    onnote: (entry: Partial<EntryRequest> & Pick<EntryRequest, 'kind'>) => void;
  }
  const { plan, unit, onnote }: Props = $props();

  const next = $derived(plan.turns[plan.due] ?? null);
  const wait = $derived(Math.round((next?.minute ?? plan.offMinute) - plan.minute));
  let read = $state('');
  let wrong = $state('');
  /** Sent, and not yet in the plan: a second thumb makes no second turn. */
  let sent = $state<number | null>(null);
  const busy = $derived(sent === plan.due);

  function turned(positions: readonly string[]) {
    const celsius = read.trim() === '' ? null : readOff(read, unit);
    wrong = typeof celsius === 'string' ? celsius : '';
    if (typeof celsius === 'string' || busy) return;
    sent = plan.due;
    read = '';
    if (celsius !== null) onnote({ kind: 'reading', celsius });
    onnote({ kind: 'turned', positions: [...positions] });
  }

  const off = $derived(plan.sections.map(() => plan.positions[0] ?? ''));
</script>

<section class="card-paper p-3.5" aria-labelledby="switches-heading" data-testid="switches">
  {#if plan.isOff}
    <h2 id="switches-heading" class="text-[17px]">Switches</h2>
    <p>Everything off after {duration(plan.offMinute)}.</p>
  {:else}
    <p class="text-soft text-[14px]" id="switches-heading">
      {plural(plan.due, 'turn')} made, off after {duration(plan.offMinute)}{plan.power === null
        ? ''
        : `; it gives about ${number(plan.power * 100, 0)} % of the power on its plate`}
    </p>
    <p class={['text-[30px] leading-tight font-bold', wait < 0 && 'text-error']} data-testid="switch-wait">
      {wait < 0 ? `${-wait} min late` : wait === 0 ? 'Now' : `In ${duration(wait)}`}
    </p>
    <p class="mb-2 text-[17px]">
      {shortTime(new Date(next?.at ?? Date.now() + wait * 60_000))}: <b>{onScale(plan.says)}</b>
    </p>
    {#if next}
      <Switches positions={next.positions} sections={plan.sections} all={plan.positions} />
      <form
        class="flex flex-wrap items-end gap-2 pt-2"
        onsubmit={(e) => {
          e.preventDefault();
          turned(next.positions);
        }}
      >
        <label class="grid text-[13.5px]"
          >The pyrometer says, °{unit}
          <input
            class="input w-36 text-right text-lg"
            inputmode="decimal"
            placeholder="not read"
            bind:value={read}
            aria-invalid={wrong ? 'true' : undefined}
            aria-describedby={wrong ? 'switch-wrong' : undefined}
          /></label
        >
        <button class="btn btn-primary h-13 flex-1" disabled={busy} data-testid="switch-turned">Turned</button
        >
      </form>
      {#if wrong}<p id="switch-wrong" class="text-error text-[13.5px]" role="alert">{wrong}</p>{/if}
      <p class="text-soft pt-1 text-[13px]">With a reading the turns that follow are planned anew.</p>
    {/if}
    <button
      class={['btn mt-2 h-13 w-full', next ? 'btn-paper' : 'btn-primary']}
      disabled={busy}
      onclick={() => turned(off)}
      data-testid="switch-off">Everything is off</button
    >
    {#if plan.cutoff || plan.timerMinutes !== null}
      <p class="text-soft pt-2 text-[13.5px]">
        {plan.cutoff ? `Cut-off cone ${plan.cutoff}. ` : ''}{plan.timerMinutes === null
          ? ''
          : `Timer to ${duration(plan.timerMinutes)} at the start. `}A cut-off or timer can fail: somebody is
        there when it should go off.
      </p>
    {/if}
  {/if}
  <details class="pt-2">
    <summary class="cursor-pointer">All turns</summary>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="overflow-x-auto" role="region" aria-label="All turns" tabindex="0">
      <SwitchTable
        sections={plan.sections}
        before={plan.positions[0] ?? ''}
        testid="switch-turns"
        rows={plan.turns.map((turn, i) => ({
          when: shortTime(new Date(turn.at)),
          positions: turn.positions,
          shouldBe: turn.shouldBe === null ? '' : heat(turn.shouldBe),
          done: turn.isMade,
          next: i === plan.due
        }))}
      />
    </div>
  </details>
</section>
