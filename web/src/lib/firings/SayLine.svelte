<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import type { Snippet } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, saveKey, sayProblem } from '$lib/api/client';
  import type { ShorthandLine } from '$lib/editor';
  import { kilnList } from '$lib/kilns/queries';
  import { MarkedWords, Saying, written } from '$lib/saying';
  import { toasts } from '$lib/ui/toasts.svelte';
  import SaidFacts from './SaidFacts.svelte';
  import { me } from '$lib/api/me.svelte';
  import MayNot from '$lib/ui/MayNot.svelte';

  /** One line to say what is to be fired: it becomes a firing with its plan; a schedule in shorthand opens the editor. */
  interface Props {
    /** Reads the same line as a schedule. */
    shorthand?: ShorthandLine;
    /** What stands below it while nothing is typed. */
    empty?: Snippet<[(text: string) => void]>;
  }
  const { shorthand, empty }: Props = $props();

  const kilns = createQuery(kilnList);
  /** Of what there is: a kiln that is not here would be asked about. */
  const example = $derived(
    `30 mugs, ${display.length === 'mm' ? '6 mm' : '1/4 in'}, bone dry, bisque 06${
      kilns.data?.[0] ? ` in ${kilns.data[0].kiln.name}` : ''
    }, start Thursday 22:00`
  );
  const saying = new Saying();
  let making = $state(false);
  let form: HTMLFormElement;
  // Sent twice it is still one firing.
  let key = crypto.randomUUID();

  const isSchedule = $derived(shorthand?.isSchedule === true);
  const ready = $derived(saying.saysAnything && saying.open.length === 0 && saying.heard === saying.text);
  /** What looks like steps and is none says where it goes wrong. */
  const slip = $derived(
    shorthand?.problem && /\/\s*h|→|->|\boff\b/.test(saying.text) ? sayProblem(shorthand.problem) : null
  );

  function write(text: string) {
    saying.write(text);
    void shorthand?.look(text);
    key = crypto.randomUUID();
  }

  async function open() {
    if (isSchedule) {
      shorthand?.leave();
      return goto('/schedules/new');
    }
    // Steps that are not read yet are no sentence: their own question, or where they go wrong, comes first.
    if (shorthand?.isFahrenheit || slip) {
      form.querySelector<HTMLButtonElement>('[data-testid="fahrenheit"] button')?.focus();
      return;
    }
    await saying.read();
    if (!saying.firing || !saying.saysAnything) return;
    // A question comes first; the finger is already there.
    if (saying.open.length > 0) {
      form.querySelector<HTMLButtonElement>('.ask:not(.answered) button')?.focus();
      return;
    }
    if (making) return;
    making = true;
    try {
      const made = await written(saying.firing);
      const { data, error } = await api.POST('/api/firings', { body: made.firing, headers: saveKey(key) });
      if (!data) throw error;
      if (saying.unread.length) {
        const left = `“${saying.unread.join('”, “')}”`;
        // Nothing anybody said is lost: it stands in the firing's own log.
        const { error: unkept } = await api.POST('/api/firings/{id}/entries', {
          params: { path: { id: data.id } },
          body: { key, kind: 'note', text: `Said, and not taken over: ${left}`.slice(0, 1000) }
        });
        toasts.show(`Not taken over${unkept ? '' : ', kept as a note'}: ${left}.`);
      }
      const by = made.openBy ? `&openBy=${encodeURIComponent(made.openBy)}` : '';
      const stage = data.firing.lots?.length ? 'plan' : 'load';
      await goto(`/firings/${data.id}?stage=${stage}${by}${made.cheap ? '&cheap=1' : ''}`);
    } catch (error) {
      toasts.show(sayProblem(error), { tone: 'error' });
    } finally {
      making = false;
    }
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Enter' || event.shiftKey) return;
    event.preventDefault();
    void open();
  }

  // A line handed over by another page is read at once, and goes on being written.
  const handed = page.url.searchParams.get('say');
  if (handed) write(handed);
  const goOn = (line: HTMLTextAreaElement) => {
    if (!handed) return;
    line.focus();
    line.setSelectionRange(handed.length, handed.length);
  };
</script>

{#if !me.may('reserve')}<div class="px-3.5 pt-3">
    <MayNot right="reserve" why="Firings are planned by firers and owners. Ask one of them." />
  </div>{/if}
<form
  bind:this={form}
  inert={!me.may('reserve')}
  class="flex flex-wrap items-start gap-2 p-3.5"
  onsubmit={(e) => {
    e.preventDefault();
    void open();
  }}
>
  <textarea
    class="textarea min-h-0 flex-1 basis-72 resize-none text-[15px]"
    rows={Math.min(8, Math.max(2, saying.text.split('\n').length))}
    aria-label="Say what you want to fire"
    aria-describedby="say-answer"
    placeholder={example}
    maxlength="4000"
    data-testid="say"
    {@attach goOn}
    value={saying.text}
    oninput={(e) => write(e.currentTarget.value)}
    onkeydown={keys}></textarea>
  {#if isSchedule}
    <button class="btn btn-primary">Open in editor</button>
  {:else if !shorthand?.isFahrenheit && !slip}
    <button class="btn btn-primary" disabled={making || !saying.saysAnything} data-testid="plan-it"
      >{saying.open.length > 0 && saying.saysAnything ? 'Answer first' : 'Plan it'}</button
    >
  {/if}
  <div id="say-answer" class="w-full" aria-live="polite" data-ready={ready}>
    {#if isSchedule}
      <!-- What its steps come to stands with the chart. -->
    {:else if shorthand?.isFahrenheit}
      <p class="text-[13.5px]" data-testid="fahrenheit">
        These steps are too hot for °C.
        <button type="button" class="btn btn-xs btn-paper" onclick={() => void shorthand.takeFahrenheit()}
          >°F?</button
        >
      </p>
    {:else if slip}
      <p class="text-soft text-[13.5px]" data-testid="say-nothing">{slip}</p>
    {:else if saying.problem}
      <p class="text-error text-[13.5px]" role="alert">{saying.problem}</p>
    {:else if saying.said && saying.firing && saying.saysAnything}
      <div class="grid gap-1.5">
        <MarkedWords {saying} />
        <SaidFacts firing={saying.firing} />
      </div>
    {:else if saying.text.trim() && saying.heard === saying.text}
      <p class="text-soft text-[13.5px]" data-testid="say-nothing">
        Nothing of this says what is to be fired. Say what there is, how many, and what for: 30 mugs, bone
        dry, bisque 06.
      </p>
    {:else if !saying.text.trim() && empty}
      {@render empty(write)}
    {/if}
  </div>
</form>
