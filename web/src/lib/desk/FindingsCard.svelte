<script lang="ts">
  import type { Desk } from './desk.svelte';

  interface Props {
    desk: Desk;
    onselect: (segment: number) => void;
  }
  const { desk, onselect }: Props = $props();
  const findings = $derived(desk.preview?.findings ?? []);
</script>

{#if findings.length}
  <section class="card-paper px-3.5 py-2.5" aria-labelledby="worth-a-look">
    <h2 id="worth-a-look" class="mb-1.5 flex text-[15px]">
      Worth a look <span class="text-soft ml-auto font-sans text-[12.5px] font-normal">{findings.length}</span
      >
    </h2>
    <ul class="divide-base-300 divide-y text-[13.5px]">
      {#each findings as finding (finding.id + finding.segment)}
        <li class="py-1.5 first:pt-0 last:pb-0">
          <button class="hover:underline" onclick={() => onselect(finding.segment)}
            >Step {finding.segment + 1}.</button
          >
          {finding.text} <span class="text-soft">{finding.why}</span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
