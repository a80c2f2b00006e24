<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import { sayProblem } from '$lib/api/client';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import { writeShorthand, type Refused } from './write-shorthand';

  interface Props {
    draft: ScheduleDraft;
    onwritten: () => void;
    onadd: () => void;
  }
  const { draft, onwritten, onadd }: Props = $props();

  let text = $state('');
  let problem: Refused | null = $state(null);
  let field: HTMLTextAreaElement;

  const rows = $derived(Math.min(6, text.split('\n').length));

  async function write(asFahrenheit = false) {
    if (!text.trim()) return;
    try {
      problem = await writeShorthand(draft, text, false, asFahrenheit);
    } catch (error) {
      problem = { detail: sayProblem(error) };
    }
    if (!problem) {
      text = '';
      onwritten();
    } else if (problem.position !== undefined) {
      const end = problem.position + Math.max(1, problem.length ?? 1);
      field.focus();
      field.setSelectionRange(problem.position, end);
    }
  }
</script>

<form
  class="border-base-300 flex flex-wrap items-start gap-x-3 gap-y-1 border-t px-3.5 py-2"
  onsubmit={(e) => {
    e.preventDefault();
    void write();
  }}
>
  <button
    type="button"
    class="btn btn-sm btn-ghost -ml-2 px-2 font-normal"
    data-testid="add-step"
    onclick={onadd}
  >
    <Plus size={15} /> Add a step
  </button>
  <label for="write-out" class="text-soft py-1.5 text-[13.5px]">or write it out</label>
  <textarea
    id="write-out"
    bind:this={field}
    bind:value={text}
    {rows}
    class="textarea bg-base-200 min-h-0 flex-1 basis-60 resize-none px-2 py-1 font-mono text-[13px] leading-6"
    placeholder="80/h to 200 hold 45m; full to 1040; cool 55/h to 850; off"
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby={problem ? 'write-out-said' : undefined}
    spellcheck="false"
    autocapitalize="off"
    oninput={() => (problem = null)}
    onkeydown={(e) => {
      if (e.key === 'Enter' && !e.shiftKey) {
        e.preventDefault();
        void write();
      }
    }}></textarea>
  <button class="btn btn-sm btn-paper" disabled={!text.trim()}>Add</button>
  {#if problem}
    <p id="write-out-said" class="text-error w-full text-[13px]" role="alert">
      {sayProblem(problem)}{#if problem.isFahrenheit}<button
          type="button"
          class="btn btn-xs btn-paper ml-1"
          onclick={() => void write(true)}>°F?</button
        >{/if}
    </p>
  {/if}
</form>
