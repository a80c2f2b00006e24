<script lang="ts">
  import EllipsisVertical from '@lucide/svelte/icons/ellipsis-vertical';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import { isBlank, type DraftStep } from './draft';

  interface Props {
    draft: ScheduleDraft;
    step: DraftStep;
    row: number;
    onfocusrow: (row: number) => void;
  }
  const { draft, step, row, onfocusrow }: Props = $props();

  const airs = [
    [null, 'Air as the kiln has it'],
    ['oxidising', 'Oxidising'],
    ['neutral', 'Neutral'],
    ['light-reduction', 'Light reduction'],
    ['heavy-reduction', 'Heavy reduction']
  ] as const;
  const id = $derived(`step-menu-${step.key}`);
  let menu: HTMLElement;

  function then(run: () => void) {
    menu.hidePopover();
    run();
  }

  function remove() {
    const silent = isBlank(step);
    draft.removeStep(row);
    if (!silent)
      toasts.show(`Step ${row + 1} removed`, { action: { label: 'Undo', run: () => draft.undo() } });
    onfocusrow(Math.max(0, row - 1));
  }
</script>

<button
  class="btn btn-ghost btn-sm btn-square"
  popovertarget={id}
  style:anchor-name="--{id}"
  aria-label="More for step {row + 1}"
  data-testid="step-menu"
>
  <EllipsisVertical size={16} />
</button>
<ul
  {id}
  bind:this={menu}
  popover="auto"
  class="dropdown dropdown-end menu bg-base-100 border-base-300 w-56 rounded-box border p-1 shadow-lg"
  style:position-anchor="--{id}"
>
  <li>
    <button onclick={() => then(() => onfocusrow(draft.addStep(row)))}
      >Add a step below <kbd>Enter</kbd></button
    >
  </li>
  <li><button onclick={() => then(() => draft.duplicateStep(row))}>Duplicate</button></li>
  <li>
    <button disabled={row === 0} onclick={() => then(() => onfocusrow(draft.moveStep(row, -1)))}>
      Move up <kbd>Alt ↑</kbd>
    </button>
  </li>
  <li>
    <button
      disabled={row === draft.body.steps.length - 1}
      onclick={() => then(() => onfocusrow(draft.moveStep(row, 1)))}
    >
      Move down <kbd>Alt ↓</kbd>
    </button>
  </li>
  <li><button onclick={() => then(remove)}>Remove <kbd>Alt ⌫</kbd></button></li>
  <li class="menu-title pt-2">The kiln's air</li>
  {#each airs as [air, name] (name)}
    <li>
      <button
        class={step.atmosphere === air ? 'font-semibold' : ''}
        aria-pressed={step.atmosphere === air}
        onclick={() => then(() => draft.editStep(row, { atmosphere: air }))}>{name}</button
      >
    </li>
  {/each}
</ul>

<style>
  kbd {
    margin-left: auto;
    color: var(--color-soft);
    font-size: 12px;
  }
</style>
