<script lang="ts">
  import { tick } from 'svelte';
  import type { Acceptance, Finding } from '$lib/api/client';
  import { acceptanceOf } from './acceptance';
  import BasisNote from './BasisNote.svelte';

  /** What a colleague would say of a schedule: where, what, why, and what can be done about it. */
  interface Props {
    findings: readonly Finding[];
    /** Those of the firing this is for; null while it is for none. */
    accepted: readonly Acceptance[] | null;
    onselect?: (segment: number) => void;
    onpoint: (finding: Finding | null) => void;
    onfix?: (fix: NonNullable<Finding['fix']>) => void;
    ontry?: (fix: NonNullable<Finding['fix']> | null) => void;
    onaccept: (finding: Finding, note: string) => void;
    onwithdraw: (id: string) => void;
  }
  const { findings, accepted, onselect, onpoint, onfix, ontry, onaccept, onwithdraw }: Props = $props();

  const weights = { note: 'good to know', look: 'worth a look', danger: 'danger' };
  const colours = { note: 'bg-success', look: 'bg-warning', danger: 'bg-error' };
  const open = $derived(findings.filter((f) => !acceptanceOf(f, accepted)));
  const covered = $derived(findings.filter((f) => acceptanceOf(f, accepted)));
  let accepting: string | null = $state(null);
  let note = $state('');

  async function begin(key: string) {
    accepting = key;
    note = '';
    await tick();
    document.getElementById('accept-note')?.focus();
  }

  function accept(event: SubmitEvent, finding: Finding) {
    event.preventDefault();
    if (!note.trim()) return;
    accepting = null;
    onaccept(finding, note.trim());
  }
</script>

<ul class="divide-base-300 divide-y text-[13.5px]">
  {#each open as finding (finding.id + finding.segment + finding.text)}
    {@const key = finding.id + finding.segment}
    <li
      class="grid grid-cols-[14px_1fr] py-1.5 first:pt-0 last:pb-0"
      data-finding={finding.id}
      onpointerenter={() => onpoint(finding)}
      onpointerleave={() => onpoint(null)}
    >
      <span
        class={['mt-1 h-2.5 w-2.5 rounded-xs', colours[finding.severity]]}
        role="img"
        aria-label={weights[finding.severity]}
      ></span>
      <div>
        <button
          class="font-semibold hover:underline"
          onfocus={() => onpoint(finding)}
          onblur={() => onpoint(null)}
          onclick={() => onselect?.(finding.segment)}>Step {finding.segment + 1}.</button
        >
        {finding.text} <span class="text-soft">{finding.why}</span>
        {#if onfix}
          {#each finding.fixes as fix (fix.text)}
            <button
              class="link text-primary mr-2 font-semibold max-md:py-2.5 max-md:inline-block"
              onpointerenter={() => ontry?.(fix)}
              onpointerleave={() => ontry?.(null)}
              onfocus={() => ontry?.(fix)}
              onblur={() => ontry?.(null)}
              onclick={() => onfix(fix)}>{fix.text}</button
            >
          {/each}
        {/if}
        {#if accepted && accepting !== key}
          <button
            class="link text-soft underline max-md:py-2.5 max-md:inline-block"
            onclick={() => void begin(key)}>Accept</button
          >
        {:else if accepted}
          <form class="mt-1 flex gap-1.5" onsubmit={(e) => accept(e, finding)}>
            <input
              id="accept-note"
              class="input input-xs min-w-0 flex-1"
              aria-label="Why it is accepted for this firing"
              placeholder="why, for this firing"
              maxlength="300"
              autocomplete="off"
              bind:value={note}
              onkeydown={(e) => e.key === 'Escape' && (accepting = null)}
            />
            <button class="btn btn-xs btn-paper" disabled={!note.trim()}>Accept</button>
          </form>
        {/if}
        {#if finding.basis}<BasisNote basis={finding.basis} />{/if}
      </div>
    </li>
  {/each}
</ul>
{#if covered.length}
  <details class="mt-1 text-[13px]" data-testid="accepted">
    <summary class="text-soft cursor-pointer">Accepted for this firing: {covered.length}</summary>
    <ul class="mt-1 grid gap-1">
      {#each covered as finding (finding.id + finding.segment + finding.text)}
        <li>
          <span class="text-soft">{finding.text}</span> “{acceptanceOf(finding, accepted)?.note}”
          <button class="link text-soft" onclick={() => onwithdraw(finding.id)}>Take back</button>
        </li>
      {/each}
    </ul>
  </details>
{/if}
