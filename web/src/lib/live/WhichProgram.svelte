<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { duration } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { Summary } from './types';

  /** The schedule was changed after it was read back: both curves, asked once which of them the firing follows. */
  interface Props {
    firingId: number;
    kilnId: number | null;
    set: Summary;
    planned: Summary;
    onchoose: (program: 'set' | 'planned') => void;
    onclose: () => void;
  }
  const { firingId, kilnId, set, planned, onchoose, onclose }: Props = $props();

  const curveOf = (summary: Summary) => ({
    queryKey: ['summary-curve', firingId, summary.line],
    queryFn: async () => {
      const { data: parsed } = await api.POST('/api/notation/parse', {
        body: { text: summary.line, unit: 'C' }
      });
      const { data } = await api.POST('/api/preview', {
        body: {
          schedule: { name: 'a', kind: 'glaze', unit: 'C', segments: parsed?.segments ?? [] },
          kilnId,
          load: { firingId }
        }
      });
      return data ?? null;
    }
  });
  const first = createQuery(() => curveOf(set));
  const second = createQuery(() => curveOf(planned));
</script>

<Dialog title="Which program does it follow?" wide {onclose}>
  <p>
    The schedule was changed after it was read back from the controller. Only what was keyed in there is what
    the kiln will do.
  </p>
  {#if first.data && second.data}
    <FiringChart
      curve={first.data.curve}
      other={second.data.curve}
      unit="C"
      poweredMinutes={first.data.poweredMinutes}
      height={220}
      label="What is set, and thin what is planned now"
    />
  {/if}
  <dl class="mt-2 grid gap-2">
    <div>
      <dt class="font-semibold">Set at the controller (glowing)</dt>
      <dd class="font-mono text-[14px]">{set.line}</dd>
      <dd class="text-soft text-[14px]">power off after {duration(set.powerOnMinutes)}</dd>
    </div>
    <div>
      <dt class="font-semibold">Planned now (thin)</dt>
      <dd class="font-mono text-[14px]">{planned.line}</dd>
      <dd class="text-soft text-[14px]">power off after {duration(planned.powerOnMinutes)}</dd>
    </div>
  </dl>
  <div class="mt-4 flex flex-wrap justify-end gap-2">
    <a class="btn btn-ghost min-h-12" href="/firings/{firingId}?stage=set">Set it again first</a>
    <button class="btn btn-paper min-h-12" onclick={() => onchoose('planned')}
      >It was keyed in as planned now</button
    >
    <button class="btn btn-primary min-h-12" onclick={() => onchoose('set')}>Start what is set</button>
  </div>
</Dialog>
