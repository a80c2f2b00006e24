import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { onMount } from 'svelte';
import { hub } from './hub.svelte';
import { outbox } from './outbox.svelte';
import { entriesOf, liveOf } from './queries';
import type { Entry, EntryRequest, Live, Run } from './types';

const blank = { at: null, celsius: null, subject: null, text: null, setting: null };

/** What is asked for again when the connection was lost, or something noted here has arrived. */
const always = ['live', 'entries'];

/**
 * A firing under way as a page watches it: where it is by the hub, else as it was asked for; what was noted, also on other devices; and
 * a way to note something, which goes through the outbox. One place for all three, whatever kiln it is.
 * @param run as it stands now
 * @param also other queries of this firing that go stale with it
 */
export function watching(run: () => Run, also: readonly string[] = []) {
  const client = useQueryClient();
  const id = $derived(run().firingId);
  const over = $derived(run().openedAt !== null);
  const asked = createQuery(() => liveOf(id));
  const entries = createQuery(() => ({ ...entriesOf(id), refetchInterval: over ? false : 15_000 }));
  const live: Live | null = $derived(hub.told[id] ?? asked.data ?? null);
  const askAgain = (...keys: readonly string[]) => {
    for (const key of keys) void client.invalidateQueries({ queryKey: [key, id] });
  };

  onMount(() => {
    void hub.open();
    outbox.open();
    const missed = hub.onback(() => askAgain(...always, ...also));
    const sent = outbox.onsent((firing) => firing === id && askAgain(...always, ...also));
    return () => {
      missed();
      sent();
    };
  });

  /** A change of state is told by the firing itself. */
  const state = $derived(live?.state);
  $effect(() => {
    if (state && state !== run().state) askAgain('run');
  });
  /** Another program keyed in, here or on another device, is another step. */
  const keyedIn = $derived(
    (entries.data ?? [])
      .filter((e) => e.kind === 'reprogrammed' || e.kind === 'taken-back')
      .map((e) => e.key)
      .join()
  );
  $effect(() => {
    if (keyedIn) askAgain('run');
  });

  return {
    get live() {
      return live;
    },
    get over() {
      return over;
    },
    get entries(): Entry[] {
      return entries.data ?? [];
    },
    /** Why there is nothing to show; nothing while it is still on its way. */
    get error() {
      return asked.isError ? asked.error : null;
    },
    again: () => void asked.refetch(),
    askAgain,
    note: (entry: Partial<EntryRequest> & Pick<EntryRequest, 'kind'>, photo?: Blob) =>
      void outbox.note(id, { ...blank, ...entry }, photo)
  };
}
