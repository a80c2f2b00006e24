<script lang="ts">
  import type { PackingChoice } from '$lib/api/client';
  import { number } from '$lib/format';
  import type { PackingLoop } from './packing-loop.svelte';

  /** What would take more than the kiln as it is packed: each was packed, and is done with one press. */
  const { loop }: { loop: PackingLoop } = $props();

  const asked = $derived(loop.lots.reduce((sum, lot) => sum + (lot.count ?? 0), 0));
  const names = {
    'handles-turned': ['With handles turned as drawn', 'Turn them'],
    'full-shelves': ['On full shelves', 'Use those'],
    'half-shelves': ['On half shelves, front and back by themselves', 'Use those'],
    'other-kiln': ['', 'Move it there'],
    tumbled: ['In a heap, as some do with ware that may be marked', '']
  } as const;
  const nameOf = (c: PackingChoice) => (c.kind === 'other-kiln' ? `In ${c.kiln}` : names[c.kind][0]);
  const sayIn = (c: PackingChoice) =>
    `${c.kind === 'tumbled' ? 'about ' : ''}${c.fits ? `all ${asked}` : `${c.placed} of ${asked}`}`;
</script>

{#if loop.choices.length}
  <ul class="grid gap-1" data-testid="takes-more">
    {#each loop.choices as choice (choice.kind + (choice.kilnId ?? ''))}
      <li class="flex flex-wrap items-baseline justify-between gap-x-2">
        <span
          >{nameOf(choice)}: <b>{sayIn(choice)}</b>{#if choice.shelves}<span class="text-soft"
              >, {number(choice.share * 100, 0)} % full</span
            >{/if}</span
        >
        {#if names[choice.kind][1]}<button class="btn btn-xs btn-paper" onclick={() => loop.choose(choice)}
            >{names[choice.kind][1]}</button
          >{/if}
      </li>
    {/each}
  </ul>
{/if}
