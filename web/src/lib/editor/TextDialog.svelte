<script lang="ts">
  import { sayProblem } from '$lib/api/client';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import { writeShorthand, type Refused } from './write-shorthand';

  interface Props {
    draft: ScheduleDraft;
    line: string;
    onclose: () => void;
  }
  const { draft, line, onclose }: Props = $props();

  // svelte-ignore state_referenced_locally
  let text = $state(line.replaceAll('; ', '\n'));
  let problem: Refused | null = $state(null);
  let field: HTMLTextAreaElement;

  async function apply(asFahrenheit = false) {
    problem = await writeShorthand(draft, text, true, asFahrenheit);
    if (!problem) onclose();
    else if (problem.position !== undefined) {
      field.focus();
      field.setSelectionRange(problem.position, problem.position + Math.max(1, problem.length ?? 1));
    }
  }

  async function copy() {
    await navigator.clipboard.writeText(text.split('\n').join('; '));
    toasts.show('Copied as one line');
  }
</script>

<Dialog title="The whole firing as text" {onclose}>
  <p class="text-soft mb-2 text-sm">
    One step a line. A table copied from a spreadsheet can be pasted here too: rate, target, hold.
  </p>
  <textarea
    bind:this={field}
    bind:value={text}
    rows="10"
    class="textarea w-full font-mono text-sm"
    aria-label="Steps as text"
    aria-invalid={problem ? 'true' : undefined}
    spellcheck="false"
    oninput={() => (problem = null)}></textarea>
  {#if problem}<p class="text-error mt-1 text-sm" role="alert">
      {sayProblem(problem)}
      {#if problem.isFahrenheit}<button class="btn btn-xs btn-paper ml-1" onclick={() => void apply(true)}
          >°F?</button
        >{/if}
    </p>{/if}
  <div class="mt-3 flex justify-end gap-2">
    <button class="btn btn-ghost" onclick={() => void copy()}>Copy</button>
    <button class="btn btn-primary" onclick={() => void apply()}>Replace the steps</button>
  </div>
</Dialog>
