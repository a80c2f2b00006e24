import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { onMount } from 'svelte';
import { hub } from './hub.svelte';
import { room } from './queries';
import type { Live, RoomKiln } from './types';

/** All kilns as a page watches them: asked for now and then, each firing under way as the hub tells it. */
export function watchingRoom() {
  const client = useQueryClient();
  const kilns = createQuery(() => ({ ...room(), refetchInterval: 60_000 }));
  const askAgain = () => void client.invalidateQueries({ queryKey: ['room'] });

  onMount(() => {
    void hub.open();
    return hub.onback(askAgain);
  });
  // One that was started or opened elsewhere.
  const firings = $derived(Object.keys(hub.told).join(','));
  $effect(() => {
    if (firings) askAgain();
  });

  return {
    get kilns(): RoomKiln[] | null {
      return kilns.data ?? null;
    },
    liveOf: (kiln: RoomKiln): Live | null =>
      kiln.firingId !== null ? (hub.told[kiln.firingId] ?? kiln.live) : null
  };
}
