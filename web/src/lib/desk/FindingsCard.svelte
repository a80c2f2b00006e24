<script lang="ts">
  import { sayProblem, type Finding } from '$lib/api/client';
  import { withAcceptance } from '$lib/findings/acceptance';
  import FindingRows from '$lib/findings/FindingRows.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Desk } from './desk.svelte';

  interface Props {
    desk: Desk;
    onselect: (segment: number) => void;
  }
  const { desk, onselect }: Props = $props();
  const findings = $derived(desk.preview?.findings ?? []);
  const accepted = $derived(desk.accepted);

  function mend(fix: NonNullable<Finding['fix']>) {
    desk.mend(fix);
    toasts.show(`Step ${fix.segment + 1}: ${fix.text.toLowerCase()}`, {
      action: { label: 'Undo', run: () => desk.undo() }
    });
  }

  async function keep(change: (before: NonNullable<typeof accepted>) => NonNullable<typeof accepted>) {
    const problem = await desk.firing?.change((body) => ({
      accepted: change((body.accepted ?? []).filter((a) => a !== null))
    }));
    if (problem) toasts.show(sayProblem(problem), { tone: 'error' });
  }
</script>

{#if findings.length}
  <section class="card-paper px-3.5 py-2.5" aria-labelledby="worth-a-look" data-testid="findings">
    <h2 id="worth-a-look" class="mb-1.5 flex text-[15px]">
      Worth a look <span class="text-soft ml-auto font-sans text-[12.5px] font-normal"
        >{desk.openFindings || ''}</span
      >
    </h2>
    <FindingRows
      {findings}
      {accepted}
      {onselect}
      onpoint={(finding) =>
        (desk.marked = finding ? { from: finding.fromMinute, to: finding.toMinute } : null)}
      onmend={mend}
      ontry={(fix) => void desk.tryFix(fix)}
      onaccept={(finding, note) => void keep((before) => withAcceptance(before, finding, note))}
      onwithdraw={(id) => void keep((before) => before.filter((a) => a.id !== id))}
    />
  </section>
{/if}
