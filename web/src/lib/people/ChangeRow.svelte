<script lang="ts">
  import { when } from '$lib/format';
  import type { Change } from './queries';
  import { subjectPage, subjectWords } from './words';

  /** One change, with what was before and after on wish. */
  const { change, names }: { change: Change; names: ReadonlyMap<number, string> } = $props();
  /** Of people the name; of what somebody did with the own account nothing more. */
  const person = $derived(/^people\/(\d+)$/.exec(change.subject)?.[1]);
  const isOwn = $derived(change.who !== null && String(change.who?.id) === person);
  const place = $derived(subjectPage(change.subject));
  const text = (value: unknown) =>
    value === null || value === undefined ? '' : JSON.stringify(value, null, 1);
</script>

<li class="border-base-300 border-t py-1.5 text-[14.5px] first:border-0">
  <span class="text-soft tabular-nums">{when(new Date(change.at))}</span>
  <b>{change.who?.name ?? 'Somebody'}</b>{change.device ? ` on ${change.device.name}` : ''}
  {change.what}
  {#if place}<a class="link" href={place}>{subjectWords(change.subject)}</a
    >{:else if person && isOwn}{change.what.endsWith(' of') ? 'the own account' : ''}{:else}{(person &&
      names.get(Number(person))) ??
      subjectWords(change.subject)}{/if}
  {#if change.before || change.after}
    <details class="text-[13px]">
      <summary class="text-soft cursor-pointer">What changed</summary>
      <div class="grid gap-2 sm:grid-cols-2">
        <pre class="overflow-x-auto whitespace-pre-wrap">{text(change.before) || 'nothing before'}</pre>
        <pre class="overflow-x-auto whitespace-pre-wrap">{text(change.after) || 'nothing after'}</pre>
      </div>
    </details>
  {/if}
</li>
