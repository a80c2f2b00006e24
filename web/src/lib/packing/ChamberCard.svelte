<script lang="ts">
  import type { Chamber, KilnBody, Props as PropsBody } from '$lib/api/client';
  import ChamberDrawing from './ChamberDrawing.svelte';

  /** The inside of a kiln, what there is to stand ware on, and what is in the way; drawn beside its numbers. */
  interface Props {
    /** As it is now: the kiln's own, or that of its class. */
    chamber: Chamber;
    props: PropsBody;
    /** True while both are those of its class. */
    isUsual: boolean;
    messages: Record<string, string>;
    onedit: (change: Partial<KilnBody>, group: string) => void;
  }
  const { chamber, props, isUsual, messages, onedit }: Props = $props();

  type Number = 'width' | 'depth' | 'height' | 'raise';
  const numbers: readonly { field: Number; label: string }[] = [
    { field: 'width', label: 'Inside, left to right' },
    { field: 'depth', label: 'Inside, front to back' },
    { field: 'height', label: 'Floor to lid' },
    { field: 'raise', label: 'Lowest shelf above the floor' }
  ];
  const shelves = $derived((chamber.shelves ?? []).filter((s) => s !== null));
  const stock = $derived((props.stock ?? []).filter((p) => p !== null));
  const said = $derived(
    Object.entries(messages)
      .filter(([field]) => /^(chamber|props)\b/.test(field))
      .map(([, text]) => text)
  );

  /** What is wrong with a list as it was typed. */
  let complaint: string | null = $state(null);

  const read = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
  const edit = (change: Partial<Chamber>, field: string) =>
    onedit({ chamber: { ...chamber, ...change } }, `chamber.${field}`);
  const editShelf = (i: number, change: Partial<(typeof shelves)[number]>) =>
    edit({ shelves: shelves.map((s, k) => (k === i ? { ...s, ...change } : s)) }, `shelves.${i}`);

  /** "110, 330, 560". */
  function peepholes(text: string) {
    const list = text
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number);
    complaint = list.some(Number.isNaN) ? 'Peepholes are heights in mm, like 110, 330, 560.' : null;
    if (!complaint) edit({ peepholes: list }, 'peepholes');
  }

  /** "12 × 25, 18 × 125": how many of which height. */
  function propsOf(text: string) {
    const list = text
      .split(/[,;\n]+/)
      .filter((t) => t.trim() !== '')
      .map((t) => /^\s*(\d+)\s*[×x*]\s*([\d.]+)\s*$/.exec(t));
    complaint = list.includes(null) ? 'Props are how many × how tall in mm, like 12 × 125, 6 × 150.' : null;
    if (complaint) return;
    const stock = list.map((m) => ({ count: Number(m?.[1]), height: Number(m?.[2]) }));
    onedit({ props: { ...props, stock } }, 'props.stock');
  }
</script>

<fieldset class="card-paper px-4 py-3" data-testid="chamber-card">
  <legend class="font-serif text-[16px] font-semibold">Its chamber</legend>
  <div class="grid gap-4 sm:grid-cols-[1fr_200px]">
    <div class="grid content-start gap-1.5 text-[14px]">
      <label
        ><span>From above</span>
        <select
          class="select select-sm w-36"
          value={chamber.shape ?? 'round'}
          onchange={(e) => edit({ shape: e.currentTarget.value as 'round' }, 'shape')}
        >
          <option value="round">round or oval</option>
          <option value="rectangle">rectangular</option>
        </select></label
      >
      {#each numbers as n (n.field)}
        <label
          ><span>{n.label}, mm</span>
          <input
            class="input input-sm w-20 text-right"
            inputmode="decimal"
            aria-invalid={messages[`chamber.${n.field}`] ? 'true' : undefined}
            value={chamber[n.field] ?? ''}
            onchange={(e) => edit({ [n.field]: read(e.currentTarget.value) }, n.field)}
          /></label
        >
      {/each}
      {#each shelves as shelf, i (i)}
        <div class="row">
          <span>{shelf.half ? 'Half shelves' : 'Full shelves'}</span>
          <span class="flex items-center gap-1">
            <input
              class="input input-sm w-12 text-right"
              inputmode="numeric"
              aria-label="How many {shelf.half ? 'half' : 'full'} shelves"
              value={shelf.count ?? ''}
              onchange={(e) => editShelf(i, { count: Math.round(read(e.currentTarget.value) ?? 0) })}
            />
            of
            <input
              class="input input-sm w-16 text-right"
              inputmode="decimal"
              aria-label="Width of the {shelf.half ? 'half' : 'full'} shelves, mm"
              value={shelf.width ?? ''}
              onchange={(e) => editShelf(i, { width: read(e.currentTarget.value) })}
            />
            ×
            <input
              class="input input-sm w-16 text-right"
              inputmode="decimal"
              aria-label="Depth of the {shelf.half ? 'half' : 'full'} shelves, mm"
              value={shelf.depth ?? ''}
              onchange={(e) => editShelf(i, { depth: read(e.currentTarget.value) })}
            />
            ×
            <input
              class="input input-sm w-12 text-right"
              inputmode="decimal"
              aria-label="Thickness of the {shelf.half ? 'half' : 'full'} shelves, mm"
              value={shelf.thickness ?? ''}
              onchange={(e) => editShelf(i, { thickness: read(e.currentTarget.value) })}
            />
          </span>
        </div>
      {/each}
      <label
        ><span>Props, how many × mm</span>
        <textarea
          class="textarea textarea-sm w-full"
          rows="2"
          value={stock.map((p) => `${p.count} × ${p.height}`).join(', ')}
          onchange={(e) => propsOf(e.currentTarget.value)}></textarea></label
      >
      <label
        ><span>Peepholes, mm up</span>
        <input
          class="input input-sm w-36 text-right"
          value={(chamber.peepholes ?? []).join(', ')}
          onchange={(e) => peepholes(e.currentTarget.value)}
        /></label
      >
      <div class="row">
        <span>Thermocouple, mm up and in from the back</span>
        <span class="flex gap-1">
          <input
            class="input input-sm w-16 text-right"
            inputmode="decimal"
            aria-label="Height of the thermocouple’s tip, mm"
            value={chamber.thermocouple?.z ?? ''}
            onchange={(e) =>
              edit(
                {
                  thermocouple: { z: read(e.currentTarget.value), reach: chamber.thermocouple?.reach ?? 30 }
                },
                'thermocouple'
              )}
          />
          <input
            class="input input-sm w-16 text-right"
            inputmode="decimal"
            aria-label="How far the thermocouple reaches in, mm"
            value={chamber.thermocouple?.reach ?? ''}
            onchange={(e) =>
              edit(
                { thermocouple: { z: chamber.thermocouple?.z ?? 300, reach: read(e.currentTarget.value) } },
                'thermocouple'
              )}
          />
        </span>
      </div>
      {#each [...new Set(complaint ? [complaint, ...said] : said)] as text (text)}<p
          class="text-error text-[13px]"
          role="alert"
        >
          {text}
        </p>{/each}
      {#if isUsual}<p class="text-soft text-[12.5px]">
          As usual with this class of kiln. Measure yours once; every plan of what stands where goes by it.
        </p>{:else}<p>
          <button
            type="button"
            class="link text-[13px]"
            onclick={() => onedit({ chamber: null, props: null }, 'chamber')}>As usual with its class</button
          >
        </p>{/if}
    </div>
    <ChamberDrawing {chamber} onmove={(change) => edit(change, 'drag')} />
  </div>
</fieldset>

<style>
  label,
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 2px 10px;
  }
</style>
