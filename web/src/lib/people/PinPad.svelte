<script lang="ts">
  import Delete from '@lucide/svelte/icons/delete';

  /** Six digits, large enough for a thumb with slip on it; the sixth sends. */
  interface Props {
    name: string;
    busy: boolean;
    wrong: string | null;
    onpin: (pin: string) => void;
    onback: () => void;
    onpassword: () => void;
  }
  const { name, busy, wrong, onpin, onback, onpassword }: Props = $props();
  const length = 6;
  let pin = $state('');

  function press(digit: string) {
    if (busy || pin.length >= length) return;
    pin += digit;
    if (pin.length === length) {
      onpin(pin);
      pin = '';
    }
  }
</script>

<svelte:window
  onkeydown={(e) => {
    if (/^\d$/.test(e.key)) press(e.key);
    else if (e.key === 'Backspace') pin = pin.slice(0, -1);
  }}
/>

<div class="grid justify-items-center gap-3">
  <p class="text-lg font-semibold">{name}</p>
  <p class="dots" aria-label="{pin.length} of {length} digits">
    {#each [0, 1, 2, 3, 4, 5] as place (place)}<span class:on={place < pin.length}></span>{/each}
  </p>
  {#if wrong}<p class="text-error text-center" role="alert">{wrong}</p>{/if}
  <div class="pad">
    {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as digit (digit)}
      <button class="btn btn-paper key" disabled={busy} onclick={() => press(digit)}>{digit}</button>
    {/each}
    <button class="btn btn-ghost key small" onclick={onback}>Others</button>
    <button class="btn btn-paper key" disabled={busy} onclick={() => press('0')}>0</button>
    <button
      class="btn btn-ghost key"
      aria-label="Take the last digit away"
      onclick={() => (pin = pin.slice(0, -1))}><Delete size={22} /></button
    >
  </div>
  <button class="link text-[14px]" onclick={onpassword}>Use the password</button>
</div>

<style>
  .dots {
    display: flex;
    gap: 12px;
  }
  .dots span {
    width: 14px;
    height: 14px;
    border-radius: 50%;
    border: 2px solid var(--color-soft);
  }
  .dots .on {
    background: var(--color-primary);
    border-color: var(--color-primary);
  }
  .pad {
    display: grid;
    grid-template-columns: repeat(3, 76px);
    gap: 10px;
  }
  .key {
    height: 64px;
    font-size: 24px;
  }
  .small {
    font-size: 15px;
  }
</style>
