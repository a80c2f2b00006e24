<script lang="ts">
  import { degrees, duration, shortTime } from '$lib/format';
  import { airNames, fallsText, type FiringTurns, type Setting, type Turn } from './words';
  import { toUnit } from '$lib/units';

  /** What to turn next: large enough for gloves, with what to expect and the caution where it belongs. */
  interface Props {
    plan: FiringTurns;
    due: Turn | null;
    unit: 'C' | 'F';
    goal: string | null;
    ready: boolean;
    onturned: (setting: Setting) => void;
    onother: () => void;
    onshutoff: () => void;
    onleftout: (row: Turn) => void;
  }
  const { plan, due, unit, goal, ready: isLit, onturned, onother, onshutoff, onleftout }: Props = $props();
  const wait = $derived(due ? due.minute - plan.minute : 0);
  const falls = $derived(due ? fallsText(due, goal, (f) => (f.at ? shortTime(new Date(f.at)) : '')) : '');
  /** A second tap is not the next turn: its button waits a moment when another row comes under the thumb. Shutting off never waits. */
  let settled: string | null = $state(null);
  const place = $derived(due ? `${due.minute} ${due.kind}` : '');
  $effect(() => {
    const now = place;
    const timer = setTimeout(() => (settled = now), settled === null ? 0 : 1200);
    return () => clearTimeout(timer);
  });
  const ready = $derived(isLit && settled === place);
  const isShutOff = $derived(due === null || due.kind === 'shut-off');
</script>

<section class={['next', wait <= 0 && 'now']} aria-label="Next turn" data-testid="next-turn">
  <p class="when">
    {#if due}
      {wait <= 0 ? 'Now' : `In ${duration(wait)}`}{due.at ? `, ${shortTime(new Date(due.at))}` : ''}
    {:else}When the cones say so{/if}
    {#if due?.asked && due.asked !== 'oxidising' && due.band}<span>{airNames[due.band]}</span>{/if}
  </p>
  <p class="set">{due?.set ?? 'Look at the cones, then shut off in order'}</p>
  {#if due && due.kind !== 'shut-off'}
    <p>
      Expect {degrees(toUnit(due.temperature, unit), unit)}, {due.colour}. {due.expect}.
    </p>
  {/if}
  {#if falls}<p data-testid="falls"><b>{falls}.</b></p>{/if}
  {#if due?.why}<p class="soft">{due.why}</p>{/if}
  {#if due?.caution}<p class="caution">{due.caution}</p>{/if}
  <div class="buttons">
    {#if isShutOff}
      <button class="big" disabled={!isLit} onclick={onshutoff} data-testid="shut-off"
        >Shut off in order</button
      >
      <button class="other" disabled={!isLit} onclick={onother}>Another setting</button>
    {:else if due}
      <button
        class="big"
        disabled={!ready}
        onclick={() =>
          onturned({ flame: due.flame, lit: due.lit, pressureBar: due.pressureBar, damper: due.damper })}
        data-testid="turned">{due.kind === 'look' ? 'Looked, left as it is' : 'Turned'}</button
      >
      <button class="other" disabled={!isLit} onclick={onother} data-testid="other-setting"
        >Another setting</button
      >
      <button class="other" disabled={!isLit} onclick={onshutoff}>Shut off</button>
    {/if}
  </div>
  {#if due && !isShutOff && wait <= 0}
    <button class="leave" disabled={!ready} onclick={() => onleftout(due)} data-testid="leave-out"
      >Leave this row out, on purpose</button
    >
  {/if}
</section>

<style>
  .next {
    border: 1px solid var(--color-base-300);
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    padding: 12px 14px;
    display: grid;
    gap: 4px;
    font-size: 15px;
  }
  .now {
    border-color: var(--color-primary);
    box-shadow: inset 4px 0 0 var(--color-primary);
  }
  .when {
    color: var(--color-soft);
    font-variant-numeric: tabular-nums;
  }
  .when span {
    margin-left: 10px;
    color: var(--color-secondary);
    font-weight: 600;
  }
  .set {
    font-family: 'Fraunces Variable', Fraunces, serif;
    font-size: 23px;
    font-weight: 600;
    line-height: 1.15;
  }
  .soft {
    color: var(--color-soft);
    font-size: 14px;
  }
  .caution {
    border-left: 4px solid var(--color-warning);
    padding-left: 10px;
    font-size: 14.5px;
  }
  .buttons {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 8px;
    margin-top: 6px;
  }
  button {
    min-height: 60px;
    border-radius: 12px;
    font-weight: 700;
    cursor: pointer;
    padding: 0 14px;
  }
  button:disabled {
    opacity: 0.5;
    cursor: default;
  }
  .big {
    background: var(--color-primary);
    color: var(--color-primary-content);
    font-size: 21px;
  }
  .other {
    background: #2a2320;
    color: #f1e6d8;
    font-size: 15px;
    font-weight: 600;
  }
  .leave {
    min-height: 44px;
    color: var(--color-soft);
    font-weight: 500;
    font-size: 14.5px;
    text-decoration: underline;
    justify-self: start;
    padding: 0;
  }
  @media (max-width: 640px) {
    .buttons {
      grid-template-columns: 1fr 1fr;
    }
    .big {
      grid-column: 1 / -1;
      min-height: 72px;
    }
    .other {
      min-height: 52px;
    }
  }
</style>
