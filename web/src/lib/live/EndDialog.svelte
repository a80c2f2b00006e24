<script module lang="ts">
  /** What was typed and not noted yet: a tap beside the dialog loses nothing. */
  const typed: Record<string, { note: string; counted: string }> = {};
</script>

<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, saveKey, sayProblem } from '$lib/api/client';
  import { untrack } from 'svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import CheckList from './CheckList.svelte';
  import { checkLists } from './queries';
  import type { Entry, EntryRequest, Live, Run } from './types';
  import { big } from './words';

  /** Stopping before the end, and opening: what it risks, and what belongs to it. */
  interface Props {
    what: 'stop' | 'open';
    run: Run;
    live: Live;
    unit: 'C' | 'F';
    entries: readonly Entry[];
    /** A gas kiln has lists of its own. */
    isFuel?: boolean;
    onnote: (entry: Partial<EntryRequest> & Pick<EntryRequest, 'kind'>) => void;
    onclose: () => void;
  }
  const { what, run, live, unit, entries, isFuel = false, onnote, onclose }: Props = $props();

  const client = useQueryClient();
  const lists = createQuery(checkLists);
  const hot = $derived(Math.round(live.chamber ?? live.display ?? 0));
  const early = $derived(what === 'open' && hot > run.opensAtCelsius + 2);
  const key = crypto.randomUUID();
  const place = untrack(() => `${run.firingId} ${what}`);
  let note = $state(typed[place]?.note ?? '');
  let counted = $state(typed[place]?.counted ?? '');
  $effect(() => {
    typed[place] = { note, counted };
  });
  let busy = $state(false);
  let problem = $state('');

  const risk = $derived(
    hot > 300
      ? 'Ware and kiln can crack, glaze will craze, and it burns at a distance.'
      : hot > 120
        ? 'Cold air can crack ware and shelves; everything inside will burn you.'
        : 'Thick or large ware may still ping or crack; wear gloves.'
  );

  async function change() {
    busy = true;
    try {
      const { data, error } = await api.POST(
        what === 'stop' ? '/api/firings/{id}/stop' : '/api/firings/{id}/opened',
        {
          params: { path: { id: run.firingId } },
          body: { note: note.trim() || null, key, at: null },
          headers: saveKey(key)
        }
      );
      if (!data) return (problem = sayProblem(error));
      if (counted.trim()) onnote({ kind: 'counted-out', text: counted.trim() });
      for (const query of ['run', 'live', 'entries'])
        void client.invalidateQueries({ queryKey: [query, run.firingId] });
      void client.invalidateQueries({ queryKey: ['room'] });
      toasts.show(what === 'stop' ? 'Stopped. Leave it closed until it is cool.' : 'Noted: opened.');
      [note, counted] = ['', ''];
      onclose();
    } catch (error) {
      problem = sayProblem(error);
    } finally {
      busy = false;
    }
  }
</script>

<Dialog title={what === 'stop' ? 'Stop this firing' : early ? 'Open early?' : 'Kiln opened'} {onclose}>
  {#if what === 'stop'}
    <p>
      Switch the power off at the kiln first, then note it here. The kiln stays closed and is followed while
      it cools.
    </p>
  {:else if early}
    <p class="rounded-lg bg-[color-mix(in_oklab,#d8341c_16%,var(--color-base-100))] p-3" role="alert">
      <b>It is still about {big(hot, unit)} inside</b>; this studio opens at {big(run.opensAtCelsius, unit)}. {risk}
    </p>
  {/if}
  {#if what === 'open'}
    <div class="my-3">
      <CheckList
        title="Shut down"
        items={(isFuel ? lists.data?.lists.gasAfter : lists.data?.lists.after) ?? []}
        kind="after"
        firingId={run.firingId}
        {entries}
      />
    </div>
    <label class="block"
      >Pieces out, and what was lost <input
        class="input mt-1 w-full"
        maxlength="200"
        placeholder="38 out, 1 cracked"
        bind:value={counted}
      /></label
    >
  {/if}
  <label class="mt-3 block"
    >{what === 'stop' ? 'Why?' : 'Anything to note'}
    <input class="input mt-1 w-full" maxlength="500" bind:value={note} /></label
  >
  {#if problem}<p class="text-error mt-2" role="alert">{problem}</p>{/if}
  <div class="mt-4 flex justify-end gap-2">
    <button class="btn btn-ghost min-h-12" onclick={onclose}
      >{what === 'stop' ? 'Go on firing' : 'Leave it closed'}</button
    >
    <button
      class={['btn min-h-12', what === 'stop' || early ? 'btn-error' : 'btn-primary']}
      disabled={busy}
      onclick={() => void change()}
      >{what === 'stop' ? 'The power is off: stop' : early ? 'Note: opened early' : 'Note: opened'}</button
    >
  </div>
</Dialog>
