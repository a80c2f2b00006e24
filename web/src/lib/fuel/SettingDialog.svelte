<script lang="ts">
  import { untrack } from 'svelte';
  import { number } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { flameText, nearestFlame, type FiringTurns, type Setting, type Turn } from './words';

  /** Another setting than the planned one: its neighbours in one tap more, any other by steps. */
  interface Props {
    hands: FiringTurns['hands'];
    from: Turn | null;
    onturned: (setting: Setting) => void;
    onclose: () => void;
  }
  const { hands, from, onturned, onclose }: Props = $props();
  const all = $derived(hands.flames);
  // As it was when this was opened: what moves under a thumb is pressed wrong.
  const planned = untrack(() => from);
  let at = $state(untrack(() => nearestFlame(planned ?? { flame: 'low', lit: 1, pressureBar: 0 }, all)));
  let damper = $state(planned?.damper ?? 0.3);
  const flame: Setting = $derived(
    all[at] ?? { flame: 'low', lit: hands.burners, pressureBar: null, damper: null }
  );
  const round = (d: number) => Math.round(Math.min(1, Math.max(0, d)) * 1000) / 1000;
  const neighbours = $derived(
    planned
      ? [
          { index: nearestFlame(planned, all) - 1, damper: planned.damper, name: 'a step less' },
          { index: nearestFlame(planned, all) + 1, damper: planned.damper, name: 'a step more' },
          {
            index: nearestFlame(planned, all),
            damper: round(planned.damper - 0.05),
            name: 'damper in a little'
          },
          {
            index: nearestFlame(planned, all),
            damper: round(planned.damper + 0.05),
            name: 'damper out a little'
          }
        ].filter((n) => all[n.index])
      : []
  );
  const done = (f: Setting, d: number) => onturned({ ...f, damper: round(d) });
</script>

<Dialog title="Turned to" {onclose}>
  <div class="grid gap-1.5">
    {#each neighbours as n (n.name)}
      {@const f = all[n.index]}
      {#if f}<button
          class="btn btn-paper tall justify-between text-left"
          onclick={() => done(f, n.damper)}
          data-testid="near-setting"
          ><b>{flameText(f, hands)}, damper {number(n.damper * 100)} %</b><span class="text-soft font-normal"
            >{n.name}</span
          ></button
        >{/if}
    {/each}
  </div>
  <p class="text-soft mt-3 mb-1">Or any other</p>
  <div class="step">
    <button class="btn btn-paper tall" aria-label="Less gas" disabled={at === 0} onclick={() => at--}
      >−</button
    >
    <b aria-live="polite">{flameText(flame, hands)}</b>
    <button
      class="btn btn-paper tall"
      aria-label="More gas"
      disabled={at >= all.length - 1}
      onclick={() => at++}>+</button
    >
    <button
      class="btn btn-paper tall"
      aria-label="Damper in"
      disabled={damper <= 0}
      onclick={() => (damper = round(damper - 0.05))}>−</button
    >
    <b aria-live="polite">damper {number(damper * 100)} % open</b>
    <button
      class="btn btn-paper tall"
      aria-label="Damper out"
      disabled={damper >= 1}
      onclick={() => (damper = round(damper + 0.05))}>+</button
    >
  </div>
  <button
    class="btn btn-primary tall mt-3 w-full"
    onclick={() => done(flame, damper)}
    data-testid="note-setting">Turned to this</button
  >
</Dialog>

<style>
  .tall {
    min-height: 54px;
    font-size: 16px;
  }
  .step {
    display: grid;
    grid-template-columns: 64px minmax(0, 1fr) 64px;
    gap: 8px;
    align-items: center;
    text-align: center;
  }
</style>
