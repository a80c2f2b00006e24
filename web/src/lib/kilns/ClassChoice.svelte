<script lang="ts">
  import { heat } from '$lib/scales';
  import type { KilnBody } from '$lib/api/client';
  import { number } from '$lib/format';

  /** Which usual kiln a new one is nearest to. */
  interface Props {
    classes: readonly { id: string; name: string; usual: KilnBody }[];
    chosen: string | null | undefined;
    onchoose: (id: string) => void;
  }
  const { classes, chosen, onchoose }: Props = $props();
</script>

<fieldset class="flex flex-wrap gap-2">
  <legend class="text-soft mb-1 text-[13.5px]">Which is nearest? Everything can be changed afterwards.</legend
  >
  {#each classes as kind (kind.id)}
    <label
      class={['card-paper cursor-pointer px-3 py-2 text-[14px]', chosen === kind.id && 'border-primary!']}
    >
      <input
        type="radio"
        class="radio radio-primary radio-xs mr-1"
        name="class"
        value={kind.id}
        checked={chosen === kind.id}
        onchange={() => onchoose(kind.id)}
      />
      <b>{kind.name}</b>
      <span class="text-soft block pl-6 text-[12.5px]"
        >{number(kind.usual.volume ?? 0, 0)} L, {number(
          kind.usual.heat === 'fuel'
            ? (kind.usual.burners ?? 0) * (kind.usual.burnerPower ?? 0)
            : (kind.usual.power ?? 0) / 1000
        )} kW, up to {heat(kind.usual.topLimit ?? 0)}</span
      >
    </label>
  {/each}
</fieldset>
