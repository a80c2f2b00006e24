<script lang="ts">
  import type { Bank } from '$lib/api/client';
  import { kindName, when } from '$lib/format';
  import { staleList } from './words';

  interface Props {
    bank: Bank;
    kilnId: number;
  }
  /** What is in which program of a kiln, what is not to be relied on and why; printed it is the card on the wall. */
  const { bank, kilnId }: Props = $props();
</script>

<ol class="grid gap-2" data-testid="bank">
  {#each bank.slots as slot (slot.slot)}
    {@const holds = slot.holds}
    <li class={['card-paper slot', holds && !slot.reliable && 'stale']}>
      <b class="number">{slot.slot ?? '·'}</b>
      {#if holds}
        <div class="min-w-0">
          <p class="flex flex-wrap items-baseline gap-x-2">
            <b class="text-[17px]">{holds.name}</b><span class="text-soft text-[13.5px]"
              >{kindName(holds.kind)}</span
            >
          </p>
          <p class="text-[14px] break-words">{holds.line}</p>
          <p class="text-soft text-[13px]">
            Read back {when(new Date(holds.at))}{holds.by ? ` by ${holds.by}` : ''}{#if slot.stale.length}. <b
                class="text-warning">Enter it again: {staleList(slot.stale)}.</b
              >{/if}
          </p>
        </div>
        <span class="code" title="Check code">{holds.code}</span>
        {#if holds.scheduleId != null}
          <a class="btn btn-sm btn-paper no-print" href="/schedules/{holds.scheduleId}/set?kiln={kilnId}"
            >{slot.reliable ? 'Read it back' : 'Enter it again'}</a
          >
        {/if}
      {:else}
        <p class="text-soft">Empty, as far as anybody read it back.</p>
      {/if}
    </li>
  {/each}
</ol>

<style>
  .slot {
    display: grid;
    grid-template-columns: 54px minmax(0, 1fr) auto auto;
    gap: 12px;
    align-items: center;
    padding: 10px 14px;
  }
  .number {
    font-family: var(--font-serif);
    font-size: 30px;
    text-align: center;
    overflow-wrap: anywhere;
  }
  .stale {
    border-left: 4px solid var(--color-warning);
  }
  .code {
    font-family: var(--font-mono);
    font-weight: 700;
    letter-spacing: 0.1em;
  }
  @media screen and (max-width: 767px) {
    .slot {
      grid-template-columns: 40px minmax(0, 1fr) auto;
    }
    .slot a {
      grid-column: 2 / 4;
      justify-self: start;
    }
  }
</style>
