<script lang="ts">
  import type { StudioBody } from '$lib/api/client';
  import GasPriceField from './GasPriceField.svelte';
  import type { StudioDraft } from './studio-draft.svelte';

  /** How everything is shown and typed: the studio's clock, units and money. */
  const { draft }: { draft: StudioDraft } = $props();

  const zones = Intl.supportedValuesOf('timeZone');
  const choices = [
    {
      field: 'clock',
      label: 'Times',
      of: [
        ['twenty-four', '21:05'],
        ['twelve', '9:05 pm']
      ]
    },
    {
      field: 'unit',
      label: 'Temperatures',
      of: [
        ['C', '°C'],
        ['F', '°F']
      ]
    },
    {
      field: 'length',
      label: 'Lengths',
      of: [
        ['mm', 'mm'],
        ['in', 'inch']
      ]
    },
    {
      field: 'mass',
      label: 'Weights',
      of: [
        ['kg', 'kg'],
        ['lb', 'lb']
      ]
    }
  ] as const;
</script>

<section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="shown-as">
  <h2 id="shown-as" class="text-[17px]">Clock and units</h2>
  <p class="text-soft text-[13.5px]">
    Every screen follows them. Anything may still be typed with another unit: 3/8 in, 1 lb 4 oz, 9:05 pm. A
    schedule keeps the scale it was written in.
  </p>
  <div class="flex flex-wrap items-end gap-x-6 gap-y-3 text-[14px]">
    <label class="grid gap-1"
      >Time zone
      <select
        class="select select-sm w-56"
        value={draft.body.timeZone}
        onchange={(e) => draft.edit({ timeZone: e.currentTarget.value })}
      >
        {#if !zones.includes(draft.body.timeZone ?? '')}<option value={draft.body.timeZone}
            >{draft.body.timeZone}</option
          >{/if}
        {#each zones as zone (zone)}<option value={zone}>{zone}</option>{/each}
      </select>
    </label>
    {#each choices as choice (choice.field)}
      <div class="grid gap-1" role="group" aria-label={choice.label} data-units="own">
        <span aria-hidden="true">{choice.label}</span>
        <span class="join">
          {#each choice.of as [value, name] (value)}
            <button
              type="button"
              class={[
                'btn join-item btn-sm font-normal',
                draft.body[choice.field] === value ? 'btn-primary' : 'btn-paper'
              ]}
              aria-pressed={draft.body[choice.field] === value}
              onclick={() => draft.edit({ [choice.field]: value } as Partial<StudioBody>)}>{name}</button
            >
          {/each}
        </span>
      </div>
    {/each}
    <label class="grid gap-1"
      >Currency
      <input
        class="input input-sm w-20"
        maxlength="8"
        placeholder="£"
        value={draft.body.currency ?? ''}
        oninput={(e) => draft.edit({ currency: e.currentTarget.value }, 'currency')}
      /></label
    >
    <GasPriceField {draft} />
  </div>
  <p class="text-soft text-[13px]">
    What electricity costs, by the hour: <a class="link" href="/stores/clock">Hours and prices</a>
  </p>
</section>
