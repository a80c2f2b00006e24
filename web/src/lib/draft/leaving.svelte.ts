import { onDestroy } from 'svelte';
import { beforeNavigate } from '$app/navigation';
import type { AutosavedDraft } from './autosaved-draft.svelte';

/** What stands in a field is taken before the field goes away. */
const finishTyping = () =>
  document.activeElement instanceof HTMLElement ? document.activeElement.blur() : undefined;

/** For a page with a draft on it: nothing typed is lost when the page, or the program, is left. */
export function saveOnLeaving<T>(draft: () => AutosavedDraft<T> | null, saved: () => void = () => {}): void {
  beforeNavigate(({ from, to }) => {
    if (from?.route.id !== to?.route.id) finishTyping();
    void draft()?.save().then(saved);
  });
  onDestroy(() => draft()?.close());
  $effect(() => {
    const leave = () => {
      finishTyping();
      draft()?.leave();
    };
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
  });
}
