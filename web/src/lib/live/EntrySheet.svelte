<script lang="ts">
  import { untrack } from 'svelte';
  import type { Unit } from '$lib/api/client';
  import { glowAt } from '$lib/chart/glow';
  import { small } from '$lib/stock';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { EntryKind, EntryRequest, Live } from './types';
  import { colours } from '$lib/api/vocabulary';
  import { big, readOff } from './words';
  import { toCelsius, toUnit } from '$lib/units';

  /** What is noted at the kiln, in two taps: everything large enough for gloves. */
  interface Props {
    what: 'reading' | 'cone' | 'colour' | 'note' | 'steam';
    live: Live;
    unit: Unit;
    /** Cones to choose from; those of the goal when missing. */
    cones?: readonly string[];
    onnote: (entry: Omit<EntryRequest, 'key'>, photo?: Blob) => void;
    onclose: () => void;
  }
  const { what, live, unit, cones, onnote, onclose }: Props = $props();
  const choices = $derived(
    [...new Set(cones ?? live.cones.map((c) => c.cone))].map((cone) => ({
      cone,
      phrase: live.cones.find((c) => c.cone === cone)?.phrase
    }))
  );

  const titles = {
    reading: 'Reading',
    cone: 'Cone down',
    colour: 'Colour by eye',
    note: 'Note',
    steam: 'Steam'
  };
  let typed = $state('');
  let wrong = $state('');
  // As it was when this was opened: what moves under a thumb is pressed wrong.
  const guess = untrack(() => Math.round(toUnit(live.display ?? live.setPoint ?? 20, unit)));
  const around = [-10, -5, -2, 0, 2, 5, 10].map((d) => guess + d);

  function note(kind: EntryKind, more: Partial<EntryRequest> = {}) {
    onnote({ kind, at: null, celsius: null, subject: null, text: null, setting: null, ...more });
    onclose();
  }

  /** A picture from the phone's camera, made small; with what was typed beside it. */
  async function take(file: File | undefined) {
    if (!file) return;
    const picture = await small(file);
    if (!picture) return (wrong = 'This is no picture that can be read here.');
    onnote(
      { kind: 'photo', at: null, celsius: null, subject: null, text: typed.trim() || null, setting: null },
      picture
    );
    onclose();
  }

  function read(text: string) {
    const celsius = readOff(text, unit);
    if (typeof celsius === 'string') wrong = celsius;
    else note('reading', { celsius });
  }
</script>

<Dialog title={titles[what]} {onclose}>
  {#if what === 'reading'}
    <p class="text-soft mb-2">What does the display show?</p>
    <div class="grid grid-cols-4 gap-2">
      {#each around as value (value)}
        <button
          class="btn btn-paper tall"
          onclick={() => note('reading', { celsius: toCelsius(value, unit) })}>{value}°</button
        >
      {/each}
    </div>
    <form
      class="mt-3 flex gap-2"
      onsubmit={(e) => {
        e.preventDefault();
        read(typed);
      }}
    >
      <input
        class="input tall flex-1 text-xl"
        inputmode="decimal"
        aria-label="Another reading, °{unit}"
        placeholder="or type it"
        bind:value={typed}
        oninput={() => (wrong = '')}
      />
      <button class="btn btn-primary tall">Note it</button>
    </form>
    {#if wrong}<p class="text-error mt-1" role="alert">{wrong}</p>{/if}
  {:else if what === 'cone'}
    <p class="text-soft mb-2">Which cone is down? Look through shaded glass, not closer than you need to.</p>
    <div class="grid gap-2">
      {#each choices as cone (cone.cone)}
        <button
          class="btn btn-paper tall justify-between"
          onclick={() => note('cone-down', { subject: cone.cone })}
          ><b>Cone {cone.cone}</b>{#if cone.phrase}<span class="text-soft font-normal"
              >by heat work: {cone.phrase}</span
            >{/if}</button
        >
      {:else}
        <p>This firing has no goal cone.</p>
      {/each}
    </div>
  {:else if what === 'colour'}
    <p class="text-soft mb-2">The colour of the ware, in a dim room. A camera shows it too bright.</p>
    <div class="grid gap-1.5">
      {#each colours as colour (colour.name)}
        <button
          class="btn btn-paper tall justify-start gap-3"
          onclick={() => note('colour', { celsius: colour.celsius, text: colour.name })}
          ><span class="swatch" style:background={glowAt(toUnit(colour.celsius, unit), unit)}
          ></span>{colour.name}<span class="text-soft ml-auto font-normal"
            >about {big(colour.celsius, unit)}</span
          ></button
        >
      {/each}
    </div>
  {:else if what === 'steam'}
    <p class="text-soft mb-3">
      Hold a cold mirror or a piece of glass over the top peephole, not your face or hand: steam burns.
    </p>
    <div class="grid gap-2">
      <button class="btn btn-paper tall" onclick={() => note('steam')}>Steam: half an hour more</button>
      <button class="btn btn-primary tall" onclick={() => note('dry')}>Clear: go on</button>
    </div>
    {#if live.stepSource === 'shadow' || live.phase !== 'hold'}
      <p class="text-soft mt-3 text-[13.5px]">
        At “steam”, keep the kiln below boiling: add half an hour at its controller, or stop the climb there.
      </p>
    {/if}
  {:else}
    <form
      onsubmit={(e) => {
        e.preventDefault();
        if (typed.trim()) note('note', { text: typed });
      }}
    >
      <div class="mb-2 grid grid-cols-2 gap-2">
        <button type="button" class="btn btn-paper tall" onclick={() => note('vent', { text: 'open' })}
          >Vent open</button
        >
        <button type="button" class="btn btn-paper tall" onclick={() => note('vent', { text: 'closed' })}
          >Vent closed</button
        >
        <button type="button" class="btn btn-paper tall" onclick={() => note('peepholes', { text: 'open' })}
          >Peepholes open</button
        >
        <button type="button" class="btn btn-paper tall" onclick={() => note('peepholes', { text: 'closed' })}
          >Peepholes closed</button
        >
      </div>
      <textarea
        class="textarea w-full text-lg"
        rows="3"
        maxlength="1000"
        aria-label="Note"
        placeholder="Smells of wax, lid shifted, …"
        bind:value={typed}></textarea>
      {#if wrong}<p class="text-error mt-1" role="alert">{wrong}</p>{/if}
      <div class="mt-2 grid grid-cols-2 gap-2">
        <label class="btn btn-paper tall"
          >{typed.trim() ? 'With a photo' : 'Photo'}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            class="sr-only"
            onchange={(e) => void take(e.currentTarget.files?.[0])}
          /></label
        >
        <button class="btn btn-primary tall" disabled={!typed.trim()}>Note it</button>
      </div>
    </form>
  {/if}
</Dialog>

<style>
  .tall {
    min-height: 52px;
    font-size: 17px;
  }
  .swatch {
    width: 34px;
    height: 26px;
    border-radius: 6px;
    border: 1px solid #0004;
  }
</style>
