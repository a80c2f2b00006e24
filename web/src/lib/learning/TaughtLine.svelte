<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { createQuery } from '@tanstack/svelte-query';
  import { number } from '$lib/format';
  import { fuelLearnedOf } from '$lib/fuel/queries';
  import { kilnList } from '$lib/kilns/queries';
  import { learnedOf } from './queries';

  /** In a line, what the kiln has taught and what that means here. */
  const { kilnId }: { kilnId: number } = $props();
  const kilns = createQuery(kilnList);
  const heat = $derived(kilns.data?.find((k) => k.id === kilnId)?.kiln.heat);
  const learned = createQuery(() => ({ ...learnedOf(kilnId), enabled: heat === 'electric' }));
  const burned = createQuery(() => ({ ...fuelLearnedOf(kilnId), enabled: heat === 'fuel' }));
  const factor = (name: string) => number(burned.data?.numbers.find((n) => n.name === name)?.mean ?? 100, 0);
  const sentence = $derived(
    learned.data && learned.data.firings > 0
      ? learned.data.sentence
      : burned.data && burned.data.firings > 0
        ? `its burners give ${factor('burner')} % of what their plate says, and it draws ${factor('air')} % of the air its openings should.`
        : ''
  );
</script>

{#if sentence}
  <p class="text-soft text-[13.5px]" data-testid="taught-line">
    <a class="link" href="/stores/kilns/{kilnId}#taught">What this kiln has taught</a>: {onScale(sentence)}
  </p>
{/if}
