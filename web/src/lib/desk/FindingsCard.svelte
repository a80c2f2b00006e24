<script lang="ts">
  import type { Finding } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Desk } from './desk.svelte';

  interface Props {
    desk: Desk;
    onselect: (segment: number) => void;
  }
  const { desk, onselect }: Props = $props();
  const findings = $derived(desk.preview?.findings ?? []);
  const weights = { note: 'good to know', look: 'worth a look', danger: 'danger' };
  const colours = { note: 'bg-success', look: 'bg-warning', danger: 'bg-error' };

  function mend(fix: NonNullable<Finding['fix']>) {
    desk.mend(fix);
    toasts.show(`Step ${fix.segment + 1}: ${fix.text.toLowerCase()}`, {
      action: { label: 'Undo', run: () => desk.undo() }
    });
  }

  const point = (finding: Finding | null) =>
    (desk.marked = finding ? { from: finding.fromMinute, to: finding.toMinute } : null);
</script>

{#if findings.length}
  <section class="card-paper px-3.5 py-2.5" aria-labelledby="worth-a-look" data-testid="findings">
    <h2 id="worth-a-look" class="mb-1.5 flex text-[15px]">
      Worth a look <span class="text-soft ml-auto font-sans text-[12.5px] font-normal">{findings.length}</span
      >
    </h2>
    <ul class="divide-base-300 divide-y text-[13.5px]">
      {#each findings as finding (finding.id + finding.segment)}
        <li
          class="grid grid-cols-[14px_1fr] py-1.5 first:pt-0 last:pb-0"
          onpointerenter={() => point(finding)}
          onpointerleave={() => point(null)}
        >
          <span
            class={['mt-1 h-2.5 w-2.5 rounded-xs', colours[finding.severity]]}
            role="img"
            aria-label={weights[finding.severity]}
          ></span>
          <div>
            <button
              class="font-semibold hover:underline"
              onfocus={() => point(finding)}
              onblur={() => point(null)}
              onclick={() => onselect(finding.segment)}>Step {finding.segment + 1}.</button
            >
            {finding.text} <span class="text-soft">{finding.why}</span>
            {#each finding.fixes as fix (fix.text)}
              <button class="link text-primary mr-2 font-semibold" onclick={() => mend(fix)}
                >{fix.text}</button
              >
            {/each}
          </div>
        </li>
      {/each}
    </ul>
  </section>
{/if}
