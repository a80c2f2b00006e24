<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { plural, when } from '$lib/format';
  import { faultName } from '$lib/reading';
  import { came, logbook } from './queries';

  /** How the firings of a schedule came out, by version. */
  const { scheduleId }: { scheduleId: number } = $props();

  const found = createQuery(() => logbook({ schedule: scheduleId }, 8));
</script>

{#if found.data && found.data.total > 0}
  <section
    class="card-paper grid gap-1.5 px-4 py-3"
    aria-label="How its firings came out"
    data-testid="its-firings"
  >
    <h2 class="text-[16px]">How its firings came out</h2>
    <ul class="grid gap-1 text-[13.5px]">
      {#each found.data.firings as firing (firing.firingId)}
        <li>
          <a class="link" href="/firings/{firing.firingId}?stage=read">{firing.name}</a>
          <span class="text-soft"
            >version {firing.scheduleVersion ?? 1}, {when(new Date(firing.startsAt))}{firing.reached
              ? `, cone ${firing.reached}`
              : ''}</span
          >
          <span class={firing.good ? 'text-success' : ''}>{came(firing)}</span>
          {#if firing.faults.length > 0}<span class="text-error"
              >{firing.faults.map((f) => faultName(f).toLowerCase()).join(', ')}</span
            >{/if}
        </li>
      {/each}
    </ul>
    {#if found.data.total > found.data.firings.length}<a
        class="link text-[13.5px]"
        href="/firings/logbook?schedule={scheduleId}">{plural(found.data.total, 'firing')} in the logbook</a
      >{/if}
  </section>
{/if}
