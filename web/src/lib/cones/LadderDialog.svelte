<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem, type Preview } from '$lib/api/client';
  import { toBody, written, type FiringPlace, type ScheduleDraft } from '$lib/editor';
  import { duration, hold, number } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';

  type Body = ReturnType<typeof toBody>;
  interface Props {
    draft: ScheduleDraft;
    place: FiringPlace;
    cone: string;
    preview: Preview;
    ontake: (schedule: Body, what: string) => void;
    onclose: () => void;
  }
  const { draft, place, cone, preview, ontake, onclose }: Props = $props();

  const rungs = createQuery(() => ({
    queryKey: ['ladder', cone, preview.line, place.kilnId, place.fill],
    queryFn: async () => {
      const { data, error } = await api.POST('/api/cones/ladder', {
        body: { cone, schedule: toBody(draft.body), ...place.asked }
      });
      if (!data) throw error;
      return data;
    }
  }));

  const total = $derived(preview.heatWorkBySegment.reduce((sum, d) => sum + d, 0));
  const steps = $derived(written(draft.body));
</script>

<Dialog title="Ways to cone {cone}" {onclose}>
  <p class="text-soft mb-2 text-sm">
    Heat work is temperature and time together: a lower top held longer brings down the same cone. Longer
    holds heal pinholes and even the kiln; runny glazes and delicate colours want them short.
  </p>
  {#if rungs.isError}
    <p class="text-error" role="alert">{sayProblem(rungs.error)}</p>
  {:else}
    <table class="table-sm table" data-testid="ladder">
      <thead class="text-base-content">
        <tr
          ><th>Hold</th><th class="text-right">Top</th><th class="text-right">Power on</th>
          {#if place.kilnId !== null}<th class="text-right">Energy</th>{/if}<th></th></tr
        >
      </thead>
      <tbody>
        {#each rungs.data ?? [] as rung (rung.holdMinutes)}
          {@const schedule = rung.schedule}
          <tr>
            <td>{hold(rung.holdMinutes) || 'no hold'}</td>
            {#if rung.top !== null && rung.top !== undefined && schedule}
              <td class="text-right font-semibold">{number(rung.top, 0)} °{draft.body.unit}</td>
              <td class="text-right">{duration(rung.poweredMinutes ?? 0)}</td>
              {#if place.kilnId !== null}<td class="text-right">{number(rung.energyKwh ?? 0, 0)} kWh</td>{/if}
              <td class="text-right">
                <button
                  class="btn btn-xs btn-paper"
                  onclick={() => {
                    ontake(
                      schedule,
                      `Top ${number(rung.top ?? 0, 0)} °${draft.body.unit}, ${hold(rung.holdMinutes) || 'no hold'}`
                    );
                    onclose();
                  }}>Take it</button
                >
              </td>
            {:else}
              <td colspan={place.kilnId === null ? 3 : 4} class="text-soft"
                >no top does it with the steps around it</td
              >
            {/if}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <h3 class="mt-4 mb-1">Where the work is done</h3>
  <ul class="text-sm" data-testid="heat-work">
    {#each preview.heatWorkBySegment as work, i (i)}
      {@const share = total > 0 ? work / total : 0}
      {#if share >= 0.005}
        <li class="grid grid-cols-[9rem_1fr_3rem] items-center gap-2 py-0.5">
          <span class="text-soft truncate"
            >Step {(steps[i]?.row ?? i) + 1}{steps[i]?.step.reason ? `, ${steps[i]?.step.reason}` : ''}</span
          >
          <span class="bg-base-200 h-2.5 rounded"
            ><span class="bg-primary block h-full rounded" style:width="{share * 100}%"></span></span
          >
          <b class="text-right">{Math.round(share * 100)} %</b>
        </li>
      {/if}
    {/each}
  </ul>
</Dialog>
