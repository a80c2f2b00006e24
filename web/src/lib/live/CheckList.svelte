<script lang="ts">
  import { inForce } from './entries';
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

  const isGoing = (key: string) =>
    outbox.waiting.some((w) => w.body.kind === 'taken-back' && w.body.subject === key);
  const counted = $derived(inForce(entries).filter((e) => e.kind === kind && !isGoing(e.key)));
  const done = (item: string) => counted.find((e) => e.subject === item);
  const onWay = (item: string) =>
    outbox.waiting.some((w) => w.firingId === firingId && w.body.kind === kind && w.body.subject === item);
  const list = $derived(items.filter((i): i is string => i !== null));

  function tick(item: string) {
    const ticked = done(item);
    // A tick by mistake is taken back, for as long as the program lets it.
    if (ticked)
      void outbox.note(firingId, {
        kind: 'taken-back',
        subject: ticked.key,
        at: null,
        celsius: null,
        text: null
      });
    else if (!onWay(item))
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
            disabled={onWay(item) || (ticked !== undefined && !ticked.canBeChanged)}
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
