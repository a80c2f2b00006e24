<script lang="ts">
  import { readPrice } from './price';
  import type { StudioDraft } from './studio-draft.svelte';

  /** What gas costs as it is paid: by the kWh, the kilogram, the cylinder or the cubic metre. */
  const { draft }: { draft: StudioDraft } = $props();

  const measures = [
    ['kwh', 'kWh'],
    ['kg', 'kg of propane'],
    ['cylinder', 'cylinder'],
    ['cubic-metre', 'm³ of natural gas']
  ] as const;
  type Per = (typeof measures)[number][0];

  const paid = $derived(draft.body.gasPaid ?? { per: 'kwh' as Per, price: draft.body.gasPrice ?? 0 });

  function set(change: { per?: Per; price?: number | null; cylinderKg?: number | null }) {
    const next = { ...paid, ...change };
    draft.edit(
      next.per === 'kwh' || next.per == null
        ? { gasPaid: null, gasPrice: next.price ?? null }
        : { gasPaid: next, gasPrice: null }
    );
  }
</script>

<div class="grid gap-1" role="group" aria-label="Gas">
  <span aria-hidden="true">Gas</span>
  <span class="flex flex-wrap items-center gap-1.5">
    <input
      class="input input-sm w-20 text-right"
      inputmode="decimal"
      aria-label="Price of gas"
      aria-invalid={(draft.errors['gasPaid.price'] ?? draft.errors['gasPrice']) ? 'true' : undefined}
      value={paid.price ?? ''}
      onchange={(e) => set({ price: readPrice(e.currentTarget.value) })}
    />
    a
    <select
      class="select select-sm w-auto"
      aria-label="Paid by"
      value={paid.per ?? 'kwh'}
      onchange={(e) => set({ per: e.currentTarget.value as Per })}
    >
      {#each measures as [value, name] (value)}<option {value}>{name}</option>{/each}
    </select>
    {#if paid.per === 'cylinder'}
      of <input
        class="input input-sm w-16 text-right"
        inputmode="decimal"
        aria-label="Gas in a full cylinder, kg"
        aria-invalid={draft.errors['gasPaid.cylinderKg'] ? 'true' : undefined}
        value={paid.cylinderKg ?? 47}
        onchange={(e) => set({ cylinderKg: readPrice(e.currentTarget.value) })}
      /> kg
    {/if}
  </span>
  {#each ['gasPaid.price', 'gasPaid.cylinderKg', 'gasPrice'] as field (field)}
    {#if draft.errors[field]}<span class="text-error text-[13px]" role="alert">{draft.errors[field]}</span
      >{/if}
  {/each}
</div>
