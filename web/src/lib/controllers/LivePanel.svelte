<script lang="ts">
  import type { Profile } from '$lib/api/client';
  import type { Machine } from './machine.svelte';
  import Panel from './Panel.svelte';

  interface Props {
    machine: Machine;
    profile: Profile;
    lit?: readonly string[];
  }
  /** A panel with keys that can be pressed, on the screen and on the keyboard. */
  const { machine, profile, lit = [] }: Props = $props();

  const keyboard: Record<string, string> = {
    Enter: 'take',
    Backspace: 'wipe',
    Delete: 'wipe',
    Escape: 'quit',
    ArrowUp: 'more',
    ArrowDown: 'less',
    '.': 'dot',
    ',': 'dot',
    ':': 'dot',
    o: 'open',
    t: 'tell',
    f: 'fire'
  };

  function key(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    // Somebody types elsewhere, or presses what has the focus.
    const at = event.target as HTMLElement;
    if (/^(INPUT|SELECT|TEXTAREA)$/.test(at.tagName)) return;
    if (event.key === 'Enter' && /^(BUTTON|A)$/.test(at.tagName)) return;
    const pressed = /^\d$/.test(event.key) ? event.key : keyboard[event.key];
    if (!pressed) return;
    event.preventDefault();
    machine.press(pressed);
  }
</script>

<svelte:window onkeydown={key} />

<Panel {profile} display={machine.display} {lit} done={machine.done} onkey={(k) => machine.press(k)} />
<p class="text-soft no-print hidden pt-1 text-[12.5px] md:block">
  On the keyboard: digits, Enter take, Backspace wipe, Escape quit, arrows ▲▼, O open, T tell, F fire.
</p>
{#if machine.trouble}<p class="text-error text-[13.5px]" role="alert">{machine.trouble}</p>{/if}
