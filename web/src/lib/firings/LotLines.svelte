<script lang="ts">
  import { display } from '$lib/display.svelte';
  import { sayProblem, type FiringBody } from '$lib/api/client';
  import { MarkedWords, Saying, written } from '$lib/saying';

  /** Lots written as people say them, or pasted from a list: what is understood is taken, what is asked stands beside its words. */
  interface Props {
    onsaid: (said: Partial<FiringBody>) => void;
  }
  const { onsaid }: Props = $props();

  const saying = new Saying();
  let asked = $state(false);
  let taking = $state(false);
  let trouble: string | null = $state(null);

  /** What the firing is for is settled here already. */
  const open = $derived(saying.open.filter((ask) => ask.about !== 'kind'));

  async function take() {
    if (taking || !saying.text.trim()) return;
    taking = true;
    trouble = null;
    try {
      const text = saying.text;
      await saying.read();
      asked = true;
      const firing = saying.firing;
      // What was typed meanwhile is neither taken nor lost.
      if (!firing || saying.text !== text || open.length > 0 || saying.unread.length > 0) return;
      if (firing.lots.length === 0 && !saying.saysAnything) return;
      const made = (await written({ ...firing, kind: firing.kind ?? 'bisque' })).firing;
      if (saying.text !== text) return;
      onsaid({
        ...(made.lots?.length ? { lots: made.lots } : {}),
        ...(firing.kind ? { kind: firing.kind } : {}),
        ...(firing.kilnId != null ? { kilnId: firing.kilnId } : {}),
        ...(firing.goalCone ? { goalCone: firing.goalCone } : {}),
        ...(firing.startsAt ? { startsAt: firing.startsAt } : {}),
        ...(firing.wishes.holdMinutes != null ? { holdMinutes: firing.wishes.holdMinutes } : {})
      });
      saying.clear();
      asked = false;
    } catch (error) {
      trouble = sayProblem(error);
    } finally {
      taking = false;
    }
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Enter' || event.shiftKey) return;
    event.preventDefault();
    event.stopPropagation();
    void take();
  }

  const said = $derived(
    trouble ??
      saying.problem ??
      (!asked || saying.heard !== saying.text || !saying.text.trim()
        ? null
        : open[0]
          ? open[0].text
          : saying.unread.length > 0
            ? `“${saying.unread[0]}” is no word known here. Take it out, or say it otherwise.`
            : saying.firing?.lots.length === 0
              ? 'Say how many there are and what, like 26 mugs.'
              : null)
  );
</script>

<form
  class="flex flex-wrap items-start gap-2 p-2.5"
  onsubmit={(e) => {
    e.preventDefault();
    void take();
  }}
>
  <textarea
    class="textarea textarea-sm min-h-0 min-w-0 flex-1 basis-80 max-sm:min-h-16"
    rows={Math.min(8, Math.max(1, saying.text.split('\n').length))}
    aria-label="Lots as you say them, or pasted from a list"
    placeholder={display.length === 'mm'
      ? '26 mugs ⌀85 × 100, handle 35, 6 mm, Marsh White, cool to touch, the class'
      : '26 mugs ⌀3 3/8 × 4, handle 1 3/8, 1/4 in, Marsh White, cool to touch, the class'}
    maxlength="4000"
    aria-invalid={said ? 'true' : undefined}
    aria-describedby="lot-lines-said"
    data-testid="lot-lines"
    value={saying.text}
    oninput={(e) => saying.write(e.currentTarget.value)}
    onkeydown={keys}></textarea>
  <button class="btn btn-sm btn-paper" disabled={!saying.text.trim() || taking}>Add</button>
  {#if saying.said && saying.text.trim() && (open.length > 0 || saying.unread.length > 0)}
    <div class="w-full"><MarkedWords {saying} settled="kind" /></div>
  {/if}
  <p id="lot-lines-said" class="text-error w-full text-[12.5px]" role={said ? 'alert' : undefined}>
    {said ?? ''}
  </p>
</form>
