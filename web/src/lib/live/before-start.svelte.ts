import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { inForce } from './entries';
import { outbox } from './outbox.svelte';
import { checkLists, entriesOf } from './queries';
import type { Entry } from './types';

/** The studio's list before a start, and what of it is ticked: here, also while it is still on its way, or on another device. */
export function beforeStart(firingId: () => number, isFuel: () => boolean) {
  const client = useQueryClient();
  const lists = createQuery(checkLists);
  const entries = createQuery(() => entriesOf(firingId()));
  const items = $derived(
    ((isFuel() ? lists.data?.lists.gasBefore : lists.data?.lists.before) ?? []).filter(
      (i): i is string => i !== null
    )
  );
  const ticked = $derived(
    items.filter(
      (i) =>
        inForce(entries.data ?? []).some((e) => e.kind === 'before' && e.subject === i) ||
        outbox.waiting.some((w) => w.firingId === firingId() && w.body.subject === i)
    ).length
  );

  $effect(() => {
    outbox.open();
    return outbox.onsent(
      (id) => id === firingId() && void client.invalidateQueries({ queryKey: ['entries', id] })
    );
  });

  return {
    get items() {
      return items;
    },
    get ticked() {
      return ticked;
    },
    get entries(): Entry[] {
      return entries.data ?? [];
    }
  };
}
