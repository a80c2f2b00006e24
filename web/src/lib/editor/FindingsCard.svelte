<script lang="ts">
  import { sayProblem, type Finding } from '$lib/api/client';
  import { FindingRows, withAcceptance } from '$lib/findings';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { FiringPlace } from './firing-place.svelte';
  import type { PreviewLoop } from './preview-loop.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import type { TriedFix } from './tried-fix.svelte';

  interface Props {
    draft: ScheduleDraft;
    place: FiringPlace;
    loop: PreviewLoop;
    tried: TriedFix;
    onpoint: (stretch: { from: number; to: number } | null) => void;
    onselect: (segment: number) => void;
  }
  const { draft, place, loop, tried, onpoint, onselect }: Props = $props();
  const findings = $derived(loop.preview?.findings ?? []);
  const accepted = $derived(place.accepted);

  function take(fix: NonNullable<Finding['fix']>) {
    onpoint(null);
    tried.take(fix);
    toasts.show(`Step ${fix.segment + 1}: ${fix.text.toLowerCase()}`, {
      action: { label: 'Undo', run: () => draft.undo() }
    });
  }

  async function accept(change: (before: NonNullable<typeof accepted>) => NonNullable<typeof accepted>) {
    const problem = await place.firing?.change((body) => ({
      accepted: change((body.accepted ?? []).filter((a) => a !== null))
    }));
    if (problem) toasts.show(sayProblem(problem), { tone: 'error' });
  }
</script>

{#if findings.length}
  <section class="card-paper px-3.5 py-2.5" aria-labelledby="worth-a-look" data-testid="findings">
    <h2 id="worth-a-look" class="mb-1.5 flex text-[15px]">
      Worth a look <span class="text-soft ml-auto font-sans text-[12.5px] font-normal"
        >{loop.openFindings || ''}</span
      >
    </h2>
    <FindingRows
      {findings}
      {accepted}
      {onselect}
      onpoint={(finding) => onpoint(finding ? { from: finding.fromMinute, to: finding.toMinute } : null)}
      onfix={take}
      ontry={(fix) => tried.look(fix)}
      onaccept={(finding, note) => void accept((before) => withAcceptance(before, finding, note))}
      onwithdraw={(id) => void accept((before) => before.filter((a) => a.id !== id))}
    />
  </section>
{/if}
