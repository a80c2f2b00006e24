<script lang="ts">
  import { clock, shortTime } from '$lib/format';
  import { outbox } from './outbox.svelte';
  import type { Entry, EntryRequest } from './types';
  import { settingText, signs } from '$lib/fuel/words';
  import { big } from './words';

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
  const shown = $derived(entries.filter((e) => e.kind !== 'before').toReversed());

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
        return `Turned: ${entry.setting ? settingText(entry.setting) : ''}`;
      case 'air-sign':
        return signs.find((s) => s.sign === entry.subject)?.name ?? 'The air';
      case 'replanned':
        return 'Planned anew from here';
      case 'acknowledged':
        return `Alarm seen: ${entry.subject}${entry.text ? `, ${entry.text}` : ''}`;
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
  <ul class="log" data-testid="entries">
    {#each waiting.toReversed() as entry (entry.id)}
      <li class="text-soft">
        <time>{shortTime(new Date(entry.body.at ?? ''))}</time><span>{say(entry.body)}</span><i>on its way</i>
      </li>
    {/each}
    {#each shown as entry (entry.key)}
      <li>
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
            >{/if}</span
        >{#if entry.by}<i class="text-soft">{entry.by}</i>{/if}
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
  i {
    font-style: normal;
    font-size: 13.5px;
  }
</style>
