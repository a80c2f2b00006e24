<script lang="ts">
  import { api, sayProblem, type Lot } from '$lib/api/client';

  /** Lots written as people say them, or pasted from a list: what can be read is taken, what cannot stays with why. */
  const { onlots }: { onlots: (lots: readonly Lot[]) => void } = $props();

  let text = $state('');
  let said: readonly string[] = $state.raw([]);
  let reading = $state(false);

  async function read() {
    if (!text.trim() || reading) return;
    reading = true;
    try {
      const { data, error } = await api.POST('/api/lots/read', { body: { text } });
      if (!data) {
        said = [sayProblem(error)];
        return;
      }
      if (data.lots.length) onlots(data.lots);
      // The rows that are left are still rows of their table.
      text = [
        ...(data.heading && data.unread.length ? [data.heading] : []),
        ...data.unread.map((u) => u.line)
      ].join('\n');
      said = data.unread.map((u) => u.why);
    } catch (error) {
      said = [sayProblem(error)];
    } finally {
      reading = false;
    }
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'Enter' || event.shiftKey) return;
    event.preventDefault();
    event.stopPropagation();
    void read();
  }
</script>

<form
  class="flex flex-wrap items-start gap-2 p-2.5"
  onsubmit={(e) => {
    e.preventDefault();
    void read();
  }}
>
  <textarea
    class="textarea textarea-sm min-h-0 min-w-0 flex-1 basis-80 max-sm:min-h-16"
    rows={Math.min(8, Math.max(1, text.split('\n').length))}
    aria-label="Lots as you say them, one a line"
    placeholder="26 mugs ⌀85 × 100, handle 35, 6 mm, Marsh White, cool to touch, the class"
    maxlength="20000"
    aria-invalid={said.length ? 'true' : undefined}
    aria-describedby="lot-lines-said"
    data-testid="lot-lines"
    bind:value={text}
    onkeydown={keys}></textarea>
  <button class="btn btn-sm btn-paper" disabled={!text.trim() || reading}>Add</button>
  <p id="lot-lines-said" class="text-error w-full text-[12.5px]" role={said.length ? 'alert' : undefined}>
    {[...new Set(said)].join(' ')}
  </p>
</form>
