<script lang="ts">
  import type { Chamber, KilnBody, Props as PropsBody } from '$lib/api/client';
  import { display } from '$lib/display.svelte';
  import LengthInput from '$lib/fields/LengthInput.svelte';
  import { readLength, sayLength } from '$lib/fields/measure';
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

  /** mm from a number in the studio's unit; not a number when it is none. */
  function mm(text: string | undefined) {
    const read = readLength(text ?? '', display.length);
    return 'value' in read ? (read.value ?? Number.NaN) : Number.NaN;
  }
  const say = (length: number | null | undefined) =>
    length == null ? '' : sayLength(length, display.length);
  const edit = (change: Partial<Chamber>, field: string) =>
    onedit({ chamber: { ...chamber, ...change } }, `chamber.${field}`);
  const editShelf = (i: number, change: Partial<(typeof shelves)[number]>) =>
    edit({ shelves: shelves.map((s, k) => (k === i ? { ...s, ...change } : s)) }, `shelves.${i}`);

  /** "110, 330, 560". */
  function peepholes(text: string) {
    const list = text
      .split(/[,;]+/)
      .filter((t) => t.trim() !== '')
      .map(mm);
    complaint = list.some(Number.isNaN)
      ? `Peepholes are heights, like ${[110, 330, 560].map(say).join(', ')}.`
      : null;
    if (!complaint) edit({ peepholes: list }, 'peepholes');
  }

  /** "12 × 25, 18 × 125": how many of which height. */
  function propsOf(text: string) {
    const list = text
      .split(/[,;\n]+/)
      .filter((t) => t.trim() !== '')
      .map((t) => /^\s*(\d+)\s*[×x*](.+)$/.exec(t))
      .map((m) => ({ count: Number(m?.[1]), height: mm(m?.[2]) }));
    const isWrong = list.some((p) => Number.isNaN(p.count) || Number.isNaN(p.height));
    complaint = isWrong ? `Props are how many × how tall, like 12 × ${say(125)}, 6 × ${say(150)}.` : null;
    if (complaint) return;
    const stock = list;
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
        <div class="row">
          <span>{n.label}, {display.length}</span>
          <LengthInput
            label={n.label}
            width="w-20"
            invalid={messages[`chamber.${n.field}`] !== undefined}
            value={chamber[n.field]}
            onvalue={(value) => edit({ [n.field]: value }, n.field)}
          />
        </div>
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
              onchange={(e) => editShelf(i, { count: Math.round(Number(e.currentTarget.value) || 0) })}
            />
            of
            <LengthInput
              label="Width of the {shelf.half ? 'half' : 'full'} shelves"
              width="w-16"
              value={shelf.width}
              onvalue={(width) => editShelf(i, { width })}
            />
            ×
            <LengthInput
              label="Depth of the {shelf.half ? 'half' : 'full'} shelves"
              width="w-16"
              value={shelf.depth}
              onvalue={(depth) => editShelf(i, { depth })}
            />
            ×
            <LengthInput
              label="Thickness of the {shelf.half ? 'half' : 'full'} shelves"
              width="w-12"
              value={shelf.thickness}
              onvalue={(thickness) => editShelf(i, { thickness })}
            />
          </span>
        </div>
      {/each}
      <label
        ><span>Props, how many × {display.length}</span>
        <textarea
          class="textarea textarea-sm w-full"
          rows="2"
          value={stock.map((p) => `${p.count} × ${say(p.height)}`).join(', ')}
          onchange={(e) => propsOf(e.currentTarget.value)}></textarea></label
      >
      <label
        ><span>Peepholes, {display.length} up</span>
        <input
          class="input input-sm w-36 text-right"
          value={(chamber.peepholes ?? []).map(say).join(', ')}
          onchange={(e) => peepholes(e.currentTarget.value)}
        /></label
      >
      <div class="row">
        <span>Thermocouple, {display.length} up and in from the back</span>
        <span class="flex gap-1">
          <LengthInput
            label="Height of the thermocouple’s tip"
            value={chamber.thermocouple?.z}
            onvalue={(z) =>
              edit({ thermocouple: { z, reach: chamber.thermocouple?.reach ?? 30 } }, 'thermocouple')}
          />
          <LengthInput
            label="How far the thermocouple reaches in"
            value={chamber.thermocouple?.reach}
            onvalue={(reach) =>
              edit({ thermocouple: { z: chamber.thermocouple?.z ?? 300, reach } }, 'thermocouple')}
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
