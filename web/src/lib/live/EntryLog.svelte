<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { sayMass } from '$lib/fields/measure';
  import { clock, shortTime } from '$lib/format';
  import { outbox } from './outbox.svelte';
  import type { Entry, EntryRequest } from './types';
  import { settingText, signs } from '$lib/fuel/words';
  import Moment from './Moment.svelte';
  import { alarmName, big } from './words';

  /** Everything noted of this firing, the latest first; what is still on its way says so. */
  interface Props {
    firingId: number;
    entries: readonly Entry[];
    unit: 'C' | 'F';
    /** Some days ago: times are told with their day. */
    over?: boolean;
  }
  const { firingId, entries, unit, over = false }: Props = $props();

  const waiting = $derived(outbox.waiting.filter((w) => w.firingId === firingId));
  /** Taken back: struck through, with who did it. Given another time: told at that time. */
  const changes = $derived(entries.filter((e) => e.kind === 'taken-back' || e.kind === 'retimed'));
  const backOf = (key: string) => changes.find((c) => c.kind === 'taken-back' && c.subject === key);
  const moved = (key: string) => changes.findLast((c) => c.kind === 'retimed' && c.subject === key);
  const shown = $derived(
    entries
      .filter((e) => e.kind !== 'before' && !changes.includes(e))
      .map((e) => ({ ...e, was: e.at, at: moved(e.key)?.at ?? e.at }))
      .toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at))
  );
  /** The entry whose buttons are open. */
  let chosen: string | null = $state(null);

  const change = (key: string, kind: 'taken-back' | 'retimed', at: string | null = null) => {
    chosen = null;
    void outbox.note(firingId, { kind, subject: key, at, celsius: null, text: null });
  };

  function say(entry: Pick<EntryRequest, 'kind' | 'celsius' | 'subject' | 'text' | 'setting'>): string {
    const degrees = entry.celsius === null || entry.celsius === undefined ? '' : big(entry.celsius, unit);
    switch (entry.kind) {
      case 'reading':
        return `Reading ${degrees}`;
      case 'steam':
        return 'Steam seen: half an hour more';
      case 'dry':
        return 'No steam: it goes on';
      case 'cone-down':
        return `Cone ${entry.subject} down`;
      case 'colour':
        return `Colour: ${entry.text}`;
      case 'vent':
      case 'peepholes':
        return `${entry.kind === 'vent' ? 'Vent' : 'Peepholes'} ${entry.text ?? 'turned'}`;
      case 'turned':
        return `Turned: ${entry.setting ? settingText(entry.setting) : (entry.text ?? 'switches')}`;
      case 'air-sign':
        return signs.find((s) => s.sign === entry.subject)?.name ?? 'The air';
      case 'left-out':
        return `Left out on purpose: ${entry.text ?? 'a row of the sheet'}`;
      case 'weighed':
        return `Weighed: ${sayMass(Number(entry.subject), display.mass)} ${display.mass} of gas left in one cylinder`;
      case 'reprogrammed':
        return `Keyed in after the cut: ${entry.text ?? ''}`;
      case 'replanned':
        return 'Planned anew from here';
      case 'acknowledged':
        return `Alarm seen: ${alarmName(entry.subject ?? '')}${entry.text ? `, ${entry.text}` : ''}`;
      case 'after':
        return `Done: ${entry.subject}`;
      case 'counted-out':
        return `Out of the kiln: ${entry.text}`;
      case 'state':
        return `${entry.subject === 'started' ? 'Started' : entry.subject === 'stopped' ? 'Stopped' : entry.subject === 'resumed' ? 'Went on' : 'Opened'}${entry.subject !== 'started' && degrees ? ` at ${degrees}` : ''}${entry.text ? `: ${entry.text}` : ''}`;
      case 'photo':
        return entry.text ?? 'Photo';
      default:
        return entry.text ?? entry.subject ?? String(entry.kind);
    }
  }
</script>

<section class="card-paper p-3.5" aria-label="Log">
  <h2 class="mb-1 text-[17px]">Log</h2>
  {#if shown.length === 0 && waiting.length === 0}<p class="text-soft">Nothing noted yet.</p>{/if}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <ul class="log" data-testid="entries" tabindex="0">
    {#each waiting.toReversed() as entry (entry.id)}
      <li class={entry.refused ? '' : 'text-soft'}>
        <time>{shortTime(new Date(entry.body.at ?? ''))}</time><span
          >{say(entry.body)}{#if entry.refused}<span class="refused" role="alert" data-testid="refused"
              ><b>Not taken:</b>
              {entry.refused}<span class="buttons"
                ><button class="btn btn-sm btn-paper" onclick={() => void outbox.again(entry)}
                  >Try again</button
                ><button
                  class="btn btn-sm btn-paper"
                  onclick={() => void outbox.again(entry, { at: new Date().toISOString() })}
                  >Note it as of now</button
                ><button class="btn btn-sm btn-ghost" onclick={() => void outbox.drop(entry)}
                  >Let it go</button
                ></span
              ></span
            >{/if}</span
        >{#if !entry.refused}<i>on its way</i>{/if}
      </li>
    {/each}
    {#each shown as entry (entry.key)}
      {@const back = backOf(entry.key)}
      <li class={back && 'back'}>
        <time>{over ? clock(new Date(entry.at)) : shortTime(new Date(entry.at))}</time><span
          >{say(
            entry
          )}{#if entry.kind === 'photo'}{@const src = `/api/firings/${firingId}/entries/${entry.key}/photo`}<a
              href={src}
              target="_blank"
              ><img
                {src}
                loading="lazy"
                alt={entry.text ?? 'As it looked'}
                class="mt-1 max-h-32 rounded-lg"
              /></a
            >{/if}{#if entry.was !== entry.at}<small>noted for {shortTime(new Date(entry.was))}</small
            >{/if}{#if chosen === entry.key}<Moment
              at={entry.at}
              onmoment={(at) => change(entry.key, 'retimed', at)}
              ontakeback={() => change(entry.key, 'taken-back')}
            />{/if}</span
        >{#if back}<i class="text-soft">taken back{back.by ? `, ${back.by}` : ''}</i
          >{:else if entry.canBeChanged && !over}<button
            class="link text-[13.5px]"
            aria-expanded={chosen === entry.key}
            onclick={() => (chosen = chosen === entry.key ? null : entry.key)}>Change</button
          >{:else if entry.by}<i class="text-soft">{entry.by}</i>{/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  .log {
    max-height: 320px;
    overflow-y: auto;
  }
  li {
    display: flex;
    gap: 10px;
    padding: 5px 0;
    border-top: 1px solid var(--color-base-300);
  }
  li:first-child {
    border: 0;
  }
  time {
    font-variant-numeric: tabular-nums;
    min-width: 46px;
    font-weight: 600;
  }
  span {
    flex: 1;
  }
  small {
    display: block;
    color: var(--color-soft);
    font-size: 13px;
  }
  .back > span {
    text-decoration: line-through;
    opacity: 0.6;
  }
  .refused {
    display: block;
    font-size: 14px;
    border-left: 4px solid var(--color-warning);
    padding-left: 8px;
    margin-top: 3px;
  }
  .refused .buttons {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    padding-top: 4px;
  }
  i {
    font-style: normal;
    font-size: 13.5px;
  }
</style>
