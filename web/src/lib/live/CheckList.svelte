<script lang="ts">
  import { outbox } from './outbox.svelte';
  import type { Entry } from './types';

  /** A list that is ticked item by item; every tick is kept with who and when. */
  interface Props {
    title: string;
    items: readonly (string | null)[];
    kind: 'before' | 'after';
    firingId: number;
    entries: readonly Entry[];
  }
  const { title, items, kind, firingId, entries }: Props = $props();

  const done = (item: string) => entries.find((e) => e.kind === kind && e.subject === item);
  const onWay = (item: string) =>
    outbox.waiting.some((w) => w.firingId === firingId && w.body.kind === kind && w.body.subject === item);
  const list = $derived(items.filter((i): i is string => i !== null));

  function tick(item: string) {
    if (!done(item) && !onWay(item))
      void outbox.note(firingId, { kind, subject: item, at: null, celsius: null, text: null });
  }
</script>

<fieldset>
  <legend class="mb-1 font-semibold">{title}</legend>
  <ul>
    {#each list as item (item)}
      {@const ticked = done(item)}
      <li>
        <label class="tick">
          <input
            type="checkbox"
            class="checkbox checkbox-primary"
            checked={ticked !== undefined || onWay(item)}
            disabled={ticked !== undefined}
            onchange={() => tick(item)}
          />
          <span class:text-soft={ticked !== undefined}>{item}</span>
          {#if ticked?.by}<i class="text-soft">{ticked.by}</i>{/if}
        </label>
      </li>
    {/each}
  </ul>
</fieldset>

<style>
  .tick {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 44px;
    cursor: pointer;
  }
  i {
    font-style: normal;
    margin-left: auto;
    font-size: 13.5px;
  }
</style>
