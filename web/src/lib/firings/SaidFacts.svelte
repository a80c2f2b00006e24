<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { display } from '$lib/display.svelte';
  import { sayLength, sayMass } from '$lib/fields/measure';
  import { clock, kindName } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { clays, glazes } from '$lib/stock';
  import type { SaidFiring } from '$lib/saying';
  import { wetnessOf } from './lot';

  /** The firing as it is filled in by what was said. */
  const { firing }: { firing: SaidFiring } = $props();

  const kilns = createQuery(kilnList);
  const clayList = createQuery(() => ({ queryKey: ['clays', ''], queryFn: () => clays.search('') }));
  const glazeList = createQuery(() => ({ queryKey: ['glazes', ''], queryFn: () => glazes.search('') }));

  /** In the words of the row it becomes. */
  const wetness = $derived(Object.fromEntries(wetnessOf(firing.kind ?? 'bisque')));

  const mm = (value: number | null | undefined) =>
    value == null ? null : `${sayLength(value, display.length)} ${display.length}`;
  const facts = $derived(
    [
      firing.kind && kindName(firing.kind),
      firing.goalCone && `cone ${firing.goalCone}`,
      firing.kilnId != null && (kilns.data?.find((k) => k.id === firing.kilnId)?.kiln.name ?? 'a kiln'),
      firing.startsAt && `starts ${clock(new Date(firing.startsAt))}`,
      firing.readyBy && `open by ${clock(new Date(firing.readyBy))}`,
      firing.wishes.pace && (firing.wishes.pace === 'slow' ? 'slowly' : 'fast'),
      firing.wishes.holdMinutes != null && `hold ${firing.wishes.holdMinutes} min`,
      firing.wishes.hold === 'none' && 'no hold',
      firing.wishes.cheap && 'in cheap hours'
    ].filter(Boolean)
  );

  const lots = $derived(
    firing.lots.map((lot) => ({
      head: `${lot.count ?? '?'} ${lot.what ?? '…'}`,
      rest: [
        lot.piece?.across != null && lot.piece.height != null
          ? `${sayLength(lot.piece.across, display.length)} × ${mm(lot.piece.height)}`
          : (mm(lot.piece?.across) ?? (lot.piece?.height != null && `${mm(lot.piece.height)} tall`)),
        lot.wall != null && `walls ${mm(lot.wall)}`,
        lot.pieceKg != null && `${sayMass(lot.pieceKg, display.mass)} ${display.mass} each`,
        lot.clayId != null && clayList.data?.find((c) => c.id === lot.clayId)?.body.name,
        ...(lot.glazeIds ?? []).map((id) => glazeList.data?.find((g) => g.id === id)?.body.name),
        lot.dryness && (wetness[lot.dryness] ?? lot.dryness.replaceAll('-', ' ')),
        lot.whose
      ].filter(Boolean)
    }))
  );
</script>

<div class="text-[13.5px]" data-testid="said-facts">
  {#if facts.length}<p class="font-semibold">{facts.join(' · ')}</p>{/if}
  {#if lots.length}
    <ul class="mt-0.5">
      {#each lots as lot, i (i)}
        <li>
          <b>{lot.head}</b>{#if lot.rest.length}<span class="text-soft">, {lot.rest.join(', ')}</span>{/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
