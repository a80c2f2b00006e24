<script lang="ts">
  import { api, fieldErrors, sayProblem, type FitResponse, type Problem } from '$lib/api/client';
  import { kindNames, number, type Kind } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { KilnDraft } from './kiln-draft.svelte';
  import LearnedTable from './LearnedTable.svelte';
  import { readText } from './read-file';

  /** Learning a kiln from the log of a firing: read, compare before and after, keep or leave. */
  const { draft }: { draft: KilnDraft } = $props();

  const largest = 16_000_000;
  let files = $state.raw<{ name: string; text: string }[]>([]);
  let read = $state(0);
  let what: 'kiln' | 'elements' = $state('kiln');
  let kind: Kind = $state('glaze');
  let fill = $state(100);
  let meter = $state('');
  let off = $state('');
  let unit: '' | 'C' | 'F' = $state('');
  let working = $state.raw<AbortController | null>(null);
  let said: Record<string, string> = $state.raw({});
  let trouble = $state<string | null>(null);
  let learned = $state.raw<FitResponse | null>(null);

  async function choose(chosen: FileList | null) {
    [files, learned, trouble, said] = [[], null, null, {}];
    const list = [...(chosen ?? [])];
    const size = list.reduce((sum, f) => sum + f.size, 0);
    if (size > largest) {
      trouble = `${list.length === 1 ? 'This file has' : 'These files have'} ${number(size / 1e6, 0)} MB; logs of up to 16 MB are taken. One reading every half minute is plenty.`;
      return;
    }
    try {
      files = await Promise.all(
        list.map((f, i) => readText(f, (share) => (read = (i + share) / list.length)))
      );
    } catch {
      trouble = 'This file cannot be read.';
    }
  }

  const numeric = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));

  async function learn() {
    if (files.length === 0 || draft.id === null) return;
    const id = draft.id;
    [learned, trouble, said] = [null, null, {}];
    await draft.save();
    const stop = new AbortController();
    working = stop;
    try {
      const { data, error } = await api.POST('/api/kilns/{id}/fit', {
        params: { path: { id } },
        body: {
          what,
          logs: files.map((file) => ({
            csv: file.text,
            kind,
            load: { fill: fill / 100 },
            unit: unit || null,
            meterKwh: numeric(meter),
            offAtMinute: numeric(off) === null ? null : (numeric(off) ?? 0) * 60
          }))
        },
        signal: stop.signal
      });
      if (data) learned = data;
      else {
        said = fieldErrors(error as Problem, 'logs[0].');
        const [field, text] = Object.entries(said)[0] ?? [];
        const which = files[Number(/^logs\[(\d+)\]/.exec(field ?? '')?.[1] ?? 0)];
        trouble = `${files.length > 1 && which ? `${which.name}: ` : ''}${text ?? sayProblem(error)}`;
      }
    } catch (error) {
      if (!stop.signal.aborted) trouble = sayProblem(error);
    } finally {
      working = null;
    }
  }

  function use() {
    if (!learned) return;
    draft.edit(learned.kiln);
    void draft.save();
    learned = null;
    toasts.show('The kiln now knows what the log taught', {
      action: { label: 'Undo', run: () => draft.undo() }
    });
  }
</script>

<section class="card-paper grid gap-3 px-4 py-3" aria-labelledby="learn">
  <h2 id="learn" class="text-[17px]">Learn from a firing</h2>
  <p class="text-soft text-[13.5px]">
    A log of a firing in this kiln, as CSV: time, temperature, and if it has them power and set point. With
    power in it a log says most; an empty firing says most of all.
  </p>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-2 text-[13.5px]">
    <label class="grid gap-1"
      >Logs, CSV
      <input
        type="file"
        accept=".csv,.txt,text/csv,text/plain"
        class="file-input file-input-sm w-64"
        data-testid="log-file"
        onclick={(e) => (e.currentTarget.value = '')}
        multiple
        onchange={(e) => void choose(e.currentTarget.files)}
      />
    </label>
    <label class="grid gap-1"
      >What was fired
      <select class="select select-sm w-32" bind:value={kind}>
        {#each Object.entries(kindNames) as [value, name] (value)}<option {value}>{name}</option>{/each}
      </select>
    </label>
    <label class="grid gap-1"
      >How full, %
      <input class="input input-sm w-20 text-right" type="number" min="0" max="150" bind:value={fill} />
    </label>
    <label class="grid gap-1"
      >Meter, kWh
      <input
        class="input input-sm w-24 text-right"
        inputmode="decimal"
        placeholder="not read"
        bind:value={meter}
      />
    </label>
    <label class="grid gap-1"
      >Power off after, h
      <input
        class="input input-sm w-24 text-right"
        inputmode="decimal"
        placeholder="in the log"
        aria-invalid={said['offAtMinute'] ? 'true' : undefined}
        bind:value={off}
      />
    </label>
    <label class="grid gap-1"
      >Degrees
      <select class="select select-sm w-24" bind:value={unit}>
        <option value="">as named</option><option value="C">°C</option><option value="F">°F</option>
      </select>
    </label>
    <label class="grid gap-1"
      >Learn
      <select class="select select-sm w-44" bind:value={what}>
        <option value="kiln">heat and insulation</option><option value="elements">only worn elements</option>
      </select>
    </label>
    {#if working}
      <button class="btn btn-sm" onclick={() => working?.abort()}>Stop</button>
    {:else}
      <button
        class="btn btn-sm btn-primary"
        disabled={files.length === 0 || draft.id === null}
        onclick={() => void learn()}
        data-testid="learn">Learn</button
      >
    {/if}
  </div>
  {#if working || (read > 0 && read < 1)}
    <progress
      class="progress w-full"
      value={working ? undefined : read}
      max="1"
      aria-label="Working on the log"
    ></progress>
  {/if}
  {#if trouble}<p class="text-error text-[13.5px]" role="alert" data-testid="learn-trouble">{trouble}</p>{/if}
  {#if learned}
    <LearnedTable {learned} unit={draft.body.unit ?? 'C'} onuse={use} onleave={() => (learned = null)} />
  {/if}
</section>
