<script lang="ts">
  import { onMount, tick } from 'svelte';
  import type { Profile } from '$lib/api/client';
  import { plural } from '$lib/format';
  import Keypad from './Keypad.svelte';
  import type { Setting } from './setting.svelte';
  import { keyWords, labelOf, questionOf } from './words';

  interface Props {
    setting: Setting;
    profile: Profile;
    /** What is fired is called so. */
    name: string;
    onrecorded: () => void;
    /** Back to the card. */
    onback: () => void;
  }
  /** What the controller shows, typed line by line or pasted: what is not right, what it would do, and what probably happened. */
  const { setting, profile, name, onrecorded, onback }: Props = $props();

  const program = $derived(setting.fit?.program ?? []);
  const back = $derived(setting.back);
  const unread = $derived(program.length - setting.readSoFar.length);
  const differenceOf = (question: string) => back?.differences.find((d) => d.question === question);
  const slip = $derived(back && back.differences.length > 0 ? back.slips[0] : undefined);
  let at = $state(0);
  let fields: HTMLInputElement[] = $state([]);
  const coarse = globalThis.matchMedia?.('(pointer: coarse)').matches ?? false;

  /** Words this question may be answered with, beside numbers. */
  const wordsFor = (question: string | undefined) => {
    const asked = question ? questionOf(profile, question) : null;
    return asked
      ? [...(asked.choices ?? []), ...Object.values(asked.words ?? {}).filter((w) => !/^[\d.:]+$/.test(w))]
      : [];
  };

  // One goes on where one was.
  onMount(() => void go(setting.readSoFar.length));

  async function go(to: number) {
    at = Math.min(Math.max(0, to), program.length - 1);
    await tick();
    fields[at]?.focus();
    fields[at]?.select();
  }

  function type(key: string) {
    const before = setting.shown[at] ?? '';
    setting.read(at, key === '⌫' ? before.slice(0, -1) : before + key);
  }

  function pasted(event: ClipboardEvent, i: number) {
    const text = event.clipboardData?.getData('text') ?? '';
    if (!/[;|\t\n]/.test(text)) return;
    event.preventDefault();
    setting.read(i, text);
    void go(i + text.split(/[;|\t\n\r]+/).length);
  }

  function moved(event: KeyboardEvent, i: number) {
    const by = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    void go(i + by);
  }

  async function record(kind: string | null) {
    const matches = back?.matches === true;
    if ((await setting.record(kind)) && matches) onrecorded();
    else void go(setting.readSoFar.length);
  }

  /** How it is put right: on to the question, then its keys. */
  const fixFor = (question: string) => {
    const line = setting.lines.find((l) => l.question === question);
    return line ? ['open', 'take', `to “${labelOf(profile, question)}”`, ...line.keys] : [];
  };
  const percent = (p: number) => `${Math.round(p * 100)}\u202f%`;
</script>

<section class="card-paper overflow-clip" aria-labelledby="read-back" data-testid="read-back">
  <header class="flex flex-wrap items-baseline gap-x-3 px-3.5 pt-2.5 pb-1.5">
    <h2 id="read-back" class="flex-1 text-[17px]">Read it back</h2>
    <button class="btn btn-sm btn-ghost order-1" onclick={onback}>Back to the card</button>
    <p class="text-soft order-2 w-full text-[13.5px]">
      Press tell on the controller, and type here what it shows, not what it should show. Several values can
      be pasted at once.
    </p>
  </header>
  <ol>
    {#each program as answer, i (answer.question)}
      {@const difference = differenceOf(answer.question)}
      {@const read = i < setting.readSoFar.length}
      <li
        class={[
          difference && 'bad',
          read && !difference && !setting.wrong[i] && back && 'good',
          i === at && 'at'
        ]}
      >
        <label>
          <span class="asked">{labelOf(profile, answer.question)}</span>
          <input
            bind:this={fields[i]}
            class="input value"
            aria-label={labelOf(profile, answer.question)}
            autocomplete="off"
            autocapitalize="off"
            spellcheck="false"
            inputmode={coarse ? 'none' : 'text'}
            enterkeyhint="next"
            value={setting.shown[i] ?? ''}
            aria-invalid={difference || setting.wrong[i] ? 'true' : undefined}
            onfocus={() => (at = i)}
            oninput={(e) => setting.read(i, e.currentTarget.value)}
            onpaste={(e) => pasted(e, i)}
            onkeydown={(e) => moved(e, i)}
          />
          <span class="mark" aria-hidden="true"
            >{difference || setting.wrong[i] ? '≠' : read && back ? '✓' : ''}</span
          >
        </label>
        {#if setting.wrong[i]}<p class="text-error said" role="alert">{setting.wrong[i]}</p>{/if}
        {#if difference}
          <p class="said" role="alert">
            <b>{difference.wanted == null ? 'It should not ask this.' : `Should be ${difference.wanted}.`}</b>
            {difference.consequence}
          </p>
          <p class="said text-soft">
            Fix: {#each fixFor(answer.question) as key, k (k)}<kbd>{keyWords(key)}</kbd>{/each}
          </p>
        {/if}
        {#if slip && answer.question === back?.differences[0]?.question}
          <div class="slip" data-testid="slip">
            <p><b>Probably:</b> {slip.text} <span class="text-soft">({percent(slip.probability)})</span></p>
            {#each back?.slips.slice(1, 3) ?? [] as other (other.kind + other.questions.join())}
              <p class="text-soft text-[13px]">Or: {other.text} ({percent(other.probability)})</p>
            {/each}
            <div class="flex flex-wrap gap-2 pt-1">
              <button
                class="btn btn-sm btn-paper"
                disabled={setting.recording}
                onclick={() => void record(slip.kind)}>That was it; read again</button
              >
              <button
                class="btn btn-sm btn-ghost"
                disabled={setting.recording}
                onclick={() => void record(null)}>It was something else; read again</button
              >
            </div>
          </div>
        {/if}
      </li>
    {/each}
  </ol>
  {#if setting.trouble}<p class="text-error px-3.5 py-1 text-[13.5px]" role="alert">{setting.trouble}</p>{/if}
  <div class="foot">
    {#if coarse}
      <Keypad
        words={wordsFor(program[at]?.question)}
        onkey={type}
        onword={(word) => setting.read(at, word)}
        onnext={() => void go(at + 1)}
      />
    {/if}
    {#if back?.matches}
      <button
        class="btn btn-primary record"
        disabled={setting.recording}
        onclick={() => void record(null)}
        data-testid="record">Record “{name}” as set</button
      >
    {:else}
      <p class="text-soft text-center text-[14px]" data-testid="still-to-read">
        {unread > 0 ? `${plural(unread, 'value')} still to read` : 'Not as it should be yet'}
      </p>
    {/if}
  </div>
</section>

<style>
  li {
    scroll-margin: 60px 0 330px;
    border-top: 1px solid var(--color-base-300);
    padding: 3px 14px;
  }
  label {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 150px 22px;
    align-items: center;
    gap: 10px;
  }
  .asked {
    font-size: 15.5px;
  }
  .value {
    font-family: var(--font-mono);
    font-size: 18px;
    height: 38px;
    text-align: right;
  }
  .mark {
    font-weight: 700;
    font-size: 17px;
  }
  .good .mark {
    color: var(--color-success);
  }
  .bad .mark,
  .bad .asked {
    color: var(--color-error);
    font-weight: 700;
  }
  .at {
    background: color-mix(in oklab, var(--color-accent) 55%, transparent);
  }
  .said {
    font-size: 13.5px;
    padding: 2px 0 3px;
  }
  kbd {
    font-family: var(--font-sans);
    font-size: 12.5px;
    padding: 0 6px;
    margin-right: 3px;
    border-radius: 6px;
    border: 1px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
  }
  .slip {
    border-left: 4px solid var(--color-warning);
    padding: 4px 10px;
    margin: 4px 0 6px;
    font-size: 14px;
  }
  .foot {
    border-top: 1px solid var(--color-base-300);
    padding: 10px 14px;
    background: var(--color-base-100);
    position: sticky;
    bottom: 0;
  }
  .record {
    width: 100%;
    min-height: 48px;
  }
  @media screen and (max-width: 767px) {
    .foot {
      bottom: 64px;
    }
    label {
      grid-template-columns: minmax(0, 1fr) 120px 20px;
    }
  }
</style>
