<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { display } from '$lib/display.svelte';
  import { when } from '$lib/format';
  import { logbook, type LogbookQuery } from './queries';
  import { toUnit } from '$lib/units';

  /** The best firing so far of what is shown: the reference, else the last that came out well. */
  const { query, of }: { query: LogbookQuery; of: string } = $props();

  const references = createQuery(() => logbook({ ...query, reference: true }, 1));
  const good = createQuery(() => logbook({ ...query, good: true }, 1));
  const best = $derived(references.data?.firings[0] ?? good.data?.firings[0] ?? null);
  const unit = $derived(display.unit);
  const curve = $derived(
    (best?.curve ?? []).map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
  );
</script>

{#if best && curve.length > 1}
  <section class="card-paper grid gap-2 p-3.5" aria-label="The best curve for {of}" data-testid="best">
    <h2 class="text-[16px]">
      The best so far for {of}:
      <a class="link" href="/firings/{best.firingId}?stage=read">{best.name}</a>, {when(
        new Date(best.startsAt)
      )}
    </h2>
    <FiringChart {curve} {unit} height={170} label="The curve of “{best.name}”" />
    {#if best.scheduleId}<p class="text-soft text-[13.5px]">
        Fired with <a class="link" href="/schedules/{best.scheduleId}">its schedule</a>, version {best.scheduleVersion ??
          1}.
      </p>{/if}
  </section>
{/if}
