<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { StudioBody } from '$lib/api/client';
  import { readPrice as price } from './price';
  import SpanFields from './SpanFields.svelte';
  import type { StudioDraft } from './studio-draft.svelte';

  /** What power costs, and the hours at another price. */
  const { draft }: { draft: StudioDraft } = $props();

  type Band = NonNullable<NonNullable<StudioBody['bands']>[number]>;

  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  const bands = $derived((draft.body.bands ?? []).filter((b) => b !== null));
  const editBand = (i: number, change: Partial<Band>) =>
    draft.edit(
      { bands: bands.map((b, j) => (j === i ? { ...b, ...change } : b)) },
      `band.${i}.${Object.keys(change).join()}`
    );
</script>

<section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="power-price">
  <h2 id="power-price" class="text-[17px]">What power costs</h2>
  <div class="flex flex-wrap items-end gap-x-5 gap-y-2 text-[14px]">
    <label class="grid gap-1"
      >A kWh, usually, {draft.body.currency || 'no currency yet'}
      <input
        class="input input-sm w-24 text-right"
        inputmode="decimal"
        value={draft.body.price ?? 0}
        onchange={(e) => draft.edit({ price: price(e.currentTarget.value) })}
      /></label
    >
  </div>
  {#if bands.length}
    <ul class="grid gap-2">
      {#each bands as band, i (i)}
        <li class="flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]">
          <input
            class="input input-xs w-36"
            aria-label="Name of band {i + 1}"
            value={band.name ?? ''}
            onchange={(e) => editBand(i, { name: e.currentTarget.value })}
          />
          <input
            class="input input-xs w-20 text-right"
            inputmode="decimal"
            aria-label="Price of band {i + 1}"
            value={band.price ?? ''}
            onchange={(e) => editBand(i, { price: price(e.currentTarget.value) })}
          />
          <SpanFields
            label={band.name ?? `band ${i + 1}`}
            span={band.hours ?? { days: [], from: '00:00', to: '07:00' }}
            onchange={(span) => editBand(i, { hours: span })}
          />
          <span class="flex items-center gap-1">
            <select
              class="select select-xs w-24"
              aria-label="First month of band {i + 1}"
              value={String(band.firstMonth ?? '')}
              onchange={(e) =>
                editBand(
                  i,
                  e.currentTarget.value
                    ? { firstMonth: Number(e.currentTarget.value), lastMonth: band.lastMonth ?? 12 }
                    : { firstMonth: null, lastMonth: null }
                )}
            >
              <option value="">all year</option>
              {#each months as month, m (month)}<option value={String(m + 1)}>from {month}</option>{/each}
            </select>
            {#if band.firstMonth}
              <select
                class="select select-xs w-24"
                aria-label="Last month of band {i + 1}"
                value={String(band.lastMonth ?? 12)}
                onchange={(e) => editBand(i, { lastMonth: Number(e.currentTarget.value) })}
              >
                {#each months as month, m (month)}<option value={String(m + 1)}>to {month}</option>{/each}
              </select>
            {/if}
          </span>
          <button
            class="btn btn-ghost btn-xs btn-square"
            aria-label="Remove {band.name}"
            onclick={() => draft.edit({ bands: bands.filter((_, j) => j !== i) })}><X size={14} /></button
          >
        </li>
      {/each}
    </ul>
  {:else}
    <p class="text-soft text-[13.5px]">
      The same price at every hour. If nights are cheaper, add those hours.
    </p>
  {/if}
  <p>
    <button
      class="btn btn-xs btn-paper"
      onclick={() =>
        draft.edit({
          bands: [
            ...bands,
            {
              name: bands.length ? 'peak' : 'night',
              price: draft.body.price ?? 0,
              hours: { days: [], from: '00:30', to: '07:30' }
            }
          ]
        })}>Add hours at another price</button
    >
  </p>
</section>
