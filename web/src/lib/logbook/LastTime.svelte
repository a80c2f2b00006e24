<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { FiringBody } from '$lib/api/client';
  import { when } from '$lib/format';
  import { logbook, type LogbookQuery } from './queries';

  /** What was done last time this came out well: the same kiln and kind, and one of its glazes where it has any. */
  interface Props {
    firing: FiringBody;
    onuse: (scheduleId: number, version: number | null) => void;
  }
  const { firing, onuse }: Props = $props();

  const glazes = $derived([...new Set((firing.lots ?? []).flatMap((lot) => lot?.glazeIds ?? []))]);
  const query = $derived({
    kind: firing.kind,
    good: true,
    ...(firing.kilnId && { kiln: firing.kilnId }),
    ...(glazes[0] !== undefined && { glaze: glazes[0] })
  } as LogbookQuery);
  const references = createQuery(() => logbook({ ...query, reference: true }, 1));
  const good = createQuery(() => logbook(query, 1));
  const last = $derived(references.data?.firings[0] ?? good.data?.firings[0] ?? null);
</script>

{#if last}
  <section
    class="card-paper px-4 py-3 text-[14px]"
    aria-label="Last time this came out well"
    data-testid="last-time"
  >
    <h2 class="text-[15px]">Last time this came out well</h2>
    <p>
      <a class="link" href="/firings/{last.firingId}?stage=read">{last.name}</a>, {when(
        new Date(last.startsAt)
      )}{last.reached ? `: cone ${last.reached}` : ''}{last.out ? `, ${last.out} out` : ''}.
    </p>
    {#if last.scheduleId && last.scheduleId !== firing.scheduleId}
      {@const schedule = last.scheduleId}
      <button class="btn btn-paper btn-xs mt-1" onclick={() => onuse(schedule, last.scheduleVersion)}
        >Fire it with that schedule</button
      >
    {:else if last.scheduleId}
      <p class="text-soft text-[13px]">This firing has that schedule already.</p>
    {/if}
  </section>
{/if}
