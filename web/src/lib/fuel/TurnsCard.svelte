<script lang="ts">
  import type { Preview } from '$lib/api/client';
  import FuelFacts from './FuelFacts.svelte';

  /** Beside the desk: what the turns come to, and the way to the sheet. */
  interface Props {
    kiln: NonNullable<Preview['kiln']>;
    unit: 'C' | 'F';
    /** Of the sheet; nothing before the schedule is saved. */
    href: string | null;
  }
  const { kiln, unit, href }: Props = $props();
  const count = $derived((kiln.turns ?? []).filter((t) => t.kind === 'turn').length);
</script>

<section class="card-paper px-3.5 py-2.5" aria-labelledby="turns-card" data-testid="turns-card">
  <div class="mb-1 flex items-baseline justify-between gap-2">
    <h2 id="turns-card" class="text-[15px]">Turns by hand</h2>
    {#if href}<a class="link text-primary text-[13.5px]" {href}>Turn-up sheet</a>{/if}
  </div>
  <p class="text-soft mb-1 text-[13.5px]">{count} turns, every {kiln.everyMinutes} minutes or so.</p>
  <FuelFacts {kiln} {unit} />
</section>
