<script lang="ts">
  import type { Profile } from '$lib/api/client';
  import type { Setting } from './setting.svelte';
  import { clockTime, staleList } from './words';

  interface Props {
    setting: Setting;
    profile: Profile;
    kilnId: number;
    startsAt: string | null;
    /** Something else says what went wrong. */
    quiet: boolean;
  }
  /** Over the card: its code, in which program, and when it begins. */
  const { setting, profile, kilnId, startsAt, quiet }: Props = $props();

  const slots = $derived(setting.bank?.slots.filter((s) => s.slot != null) ?? []);
  const chosen = $derived(slots.find((s) => s.slot === setting.slot));
  const asksDelay = $derived(profile.ask?.some((q) => q?.id === 'delay') ?? false);

  /** It goes on while somebody keys in the card. */
  let now = $state(Date.now());
  $effect(() => {
    const timer = setInterval(() => (now = Date.now()), 10_000);
    return () => clearInterval(timer);
  });

  /** Until the start that was planned, when it is still to come. */
  const untilStart = $derived.by(() => {
    const minutes = startsAt ? Math.round((Date.parse(startsAt) - now) / 60_000) : 0;
    return minutes > 0 && minutes < 24 * 60 ? minutes : null;
  });
  $effect(() => {
    if (asksDelay && untilStart && setting.fit) setting.countDown(clockTime(untilStart));
  });
</script>

<header class="head">
  <h2 id="card-title" class="text-[17px]">Entry card</h2>
  {#if setting.fit?.code}<span
      class="code"
      title="Check code: tells this program from any other"
      data-testid="code">{setting.fit.code}</span
    >{/if}
  {#if slots.length}
    <label class="flex items-center gap-1.5 text-[14px]"
      >in program
      <select
        class="select select-sm w-auto pr-7!"
        value={setting.slot}
        onchange={(e) => setting.choose(e.currentTarget.value)}
        data-testid="slot"
      >
        {#each slots as slot (slot.slot)}<option value={slot.slot}
            >{slot.slot} {slot.holds ? `(has ${slot.holds.name})` : '(empty)'}</option
          >{/each}
      </select></label
    >
  {/if}
  {#if asksDelay}
    <label class="flex items-center gap-1.5 text-[14px]"
      >begin in
      <input
        class="input input-sm w-20 text-right"
        aria-label="Delay, hours and minutes"
        value={setting.delay}
        aria-invalid={setting.errors['delayMinutes'] ? 'true' : undefined}
        onchange={(e) => setting.wait(e.currentTarget.value)}
      /></label
    >
    {#if untilStart && clockTime(untilStart) !== setting.delay}<button
        class="btn btn-xs btn-paper"
        onclick={() => setting.wait(clockTime(untilStart))}
        >{clockTime(untilStart)} for the planned start</button
      >{/if}
  {/if}
  <span class="flex-1"></span>
  <a class="link text-[13.5px]" href="/stores/kilns/{kilnId}/programs">What is in it</a>
  <button class="btn btn-sm btn-paper" onclick={() => window.print()}>Print</button>
</header>
{#each Object.values(setting.errors) as text (text)}<p
    class="text-error px-3.5 pb-1 text-[13.5px]"
    role="alert"
  >
    {text}
  </p>{/each}
{#if setting.trouble && !quiet}<p class="text-error px-3.5 pb-1 text-[13.5px]" role="alert">
    {setting.trouble}
  </p>{/if}
{#if chosen?.holds && chosen.holds.code !== setting.fit?.code}
  <p class="text-soft px-3.5 pb-1.5 text-[13.5px]">
    This takes the place of “{chosen.holds.name}”{chosen.stale.length ? ` (${staleList(chosen.stale)})` : ''}.
  </p>
{/if}

<style>
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 8px 14px;
    border-bottom: 1px solid var(--color-base-300);
  }
  .code {
    font-family: var(--font-mono);
    font-weight: 700;
    letter-spacing: 0.12em;
  }
  @media print {
    .head {
      display: none;
    }
  }
</style>
