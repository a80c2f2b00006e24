<script lang="ts">
  import type { Profile } from '$lib/api/client';
  import { handWords } from './words';

  interface Props {
    profile: Profile;
    /** What the display says. */
    display: string;
    /** Keys to press now. */
    lit?: readonly string[];
    /** What was done by hand. */
    done?: readonly string[];
    /** With it the keys can be pressed; without it the panel is a picture. */
    onkey?: ((key: string) => void) | undefined;
  }
  /** A controller drawn from its profile: display and keys, of no make. */
  const { profile, display, lit = [], done = [], onkey }: Props = $props();

  const entries = $derived(new Set((profile.ask ?? []).map((q) => q?.entry)));
  const digits = $derived(entries.has('digits') || entries.has('pad'));
  const pad = $derived(
    entries.has('pad') || (profile.ask ?? []).some((q) => q?.format === 'HH:MM' && q.entry === 'digits')
  );
  const wheel = $derived(['arrows', 'buttons', 'list', 'dial'].some((e) => entries.has(e)));
  const numbers = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];
  const isLit = (key: string) =>
    lit.some((l) => l === key || ((key === 'more' || key === 'less') && /^(until|turn) /.test(l)));

  /** An arrow is held: how long says how far it runs. */
  let since = 0;
  function press(key: string) {
    since = performance.now();
    if (key !== 'more' && key !== 'less') onkey?.(key);
  }
  function release(key: string) {
    if (since === 0) return;
    const seconds = (performance.now() - since) / 1000;
    since = 0;
    onkey?.(seconds < 0.5 ? key : `${key}~${seconds.toFixed(1)}`);
  }
</script>

{#snippet button(key: string, words: string, wide = false)}
  {#if onkey}
    {@const held = key === 'more' || key === 'less'}
    <button
      type="button"
      class={['key', isLit(key) && 'lit', wide && 'wide']}
      aria-label={key}
      onpointerdown={held ? () => press(key) : undefined}
      onpointerup={held ? () => release(key) : undefined}
      onpointercancel={held ? () => release(key) : undefined}
      onclick={(e) => {
        // A wheel's key was counted when it was let go; the keyboard knows no pointer.
        if (!held || e.detail === 0) onkey(key);
      }}>{words}</button
    >
  {:else}
    <span class={['key', isLit(key) && 'lit', wide && 'wide']}>{words}</span>
  {/if}
{/snippet}

<div
  class="panel"
  role={onkey ? 'group' : 'img'}
  aria-label={onkey ? `Panel of ${profile.name}` : `The display should say: ${display}`}
  data-testid="panel"
>
  <output class="display" aria-live={onkey ? 'polite' : undefined} data-testid="display"
    >{display || ' '}</output
  >
  <div class="keys">
    <div class="column">
      {@render button('open', 'open', true)}
      {@render button('tell', 'tell', true)}
      {@render button('fire', 'fire', true)}
      {@render button('quit', 'quit', true)}
    </div>
    {#if digits}
      <div class="pad">
        {#each numbers as n (n)}{@render button(n, n)}{/each}
        {#if pad}{@render button('dot', '·')}{:else}<span></span>{/if}
        {@render button('0', '0')}
        <span></span>
      </div>
    {/if}
    {#if wheel}
      <div class="column">
        {@render button('more', '▲', true)}
        {@render button('less', '▼', true)}
      </div>
    {/if}
    <div class="column">
      {@render button('take', 'take', true)}
      {@render button('wipe', 'wipe', true)}
    </div>
  </div>
  {#if profile.hands?.length}
    <div class="hands">
      {#each profile.hands as hand (hand)}
        {#if hand}
          {@const is = done.includes(hand)}
          {#if onkey}<button
              type="button"
              class={['hand', is && 'is']}
              aria-pressed={is}
              onclick={() => onkey(`hand ${hand}`)}>{handWords(hand)}</button
            >{:else}<span class={['hand', lit.includes(`hand ${hand}`) && 'lit']}>{handWords(hand)}</span
            >{/if}
        {/if}
      {/each}
    </div>
  {/if}
</div>

<style>
  .panel {
    background: #2b2521;
    color: #e9dccb;
    border-radius: 14px;
    padding: 14px;
    display: grid;
    gap: 12px;
    justify-items: stretch;
  }
  .display {
    background: #120d0a;
    color: #ffb46b;
    font-family: var(--font-mono);
    font-size: 26px;
    line-height: 1.25;
    padding: 10px 14px;
    border-radius: 8px;
    min-height: 54px;
    overflow-wrap: anywhere;
    white-space: pre-wrap;
  }
  .keys {
    display: flex;
    gap: 14px;
    justify-content: center;
    align-items: start;
    flex-wrap: wrap;
  }
  .column {
    display: grid;
    gap: 6px;
  }
  .pad {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 6px;
  }
  .key {
    min-width: 44px;
    height: 40px;
    padding: 0 10px;
    border-radius: 9px;
    background: #40372f;
    color: inherit;
    display: grid;
    place-items: center;
    font-size: 15px;
    user-select: none;
    touch-action: manipulation;
  }
  .wide {
    min-width: 64px;
  }
  button.key {
    cursor: pointer;
  }
  button.key:active {
    background: #59493c;
  }
  .lit {
    background: #ffb46b;
    color: #2a1709;
    font-weight: 700;
  }
  .hands {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    justify-content: center;
  }
  .hand {
    border: 1px solid #6d5d50;
    border-radius: 99px;
    padding: 5px 14px;
    font-size: 14px;
  }
  .is {
    background: #3f6b51;
    border-color: transparent;
  }
  .panel :focus-visible {
    outline-color: #ffd9a8;
  }
  @media (pointer: coarse) {
    .key {
      min-width: 52px;
      height: 48px;
    }
  }
  @media (prefers-reduced-motion: no-preference) {
    .key {
      transition: background 0.12s;
    }
  }
</style>
