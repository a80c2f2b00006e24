<script lang="ts">
  import type { FitResponse, Unit } from '$lib/api/client';
  import FiringChart from '$lib/chart/FiringChart.svelte';
  import { number } from '$lib/format';

  /** What a log taught of a kiln: before and after, on the curve and in numbers. */
  interface Props {
    learned: FitResponse;
    unit: Unit;
    onuse: () => void;
    onleave: () => void;
  }
  const { learned, unit, onuse, onleave }: Props = $props();

  const rows = $derived([
    { name: 'Heat it stores', value: learned.heat },
    { name: 'What the walls let through', value: learned.loss },
    { name: 'What the elements give', value: learned.elements }
  ]);
</script>

{#each learned.logs as log, i (i)}
  <p class="text-soft text-[13.5px]">
    {log.understood} The glowing line is the log, the dotted one the kiln as it was (off by {number(
      log.missBefore,
      0
    )} °{unit} on the whole), the thin one as learned (<b class="text-base-content"
      >{number(log.missAfter, 0)} °{unit}</b
    >).
  </p>
  <FiringChart
    curve={log.logged}
    other={log.before}
    asked={log.after}
    {unit}
    height={260}
    label="The log, the kiln as it was and the kiln as learned"
  />
{/each}
<table class="table-sm table max-w-xl" data-testid="learned">
  <thead class="text-base-content"
    ><tr
      ><th></th><th class="text-right">was</th><th class="text-right">learned</th><th class="text-right"
        >give or take</th
      ></tr
    ></thead
  >
  <tbody>
    {#each rows as row (row.name)}
      <tr>
        <td>{row.name}</td>
        <td class="text-right">{number(row.value.before, 0)} %</td>
        <td class="text-right font-semibold">{number(row.value.after, 1)} %</td>
        <td class="text-soft text-right"
          >{row.value.sure > 0 ? `± ${number(2 * row.value.sure, 1)}` : 'as given'}</td
        >
      </tr>
    {/each}
  </tbody>
</table>
<ul class="text-soft list-disc pl-5 text-[13px]">
  {#each learned.notes as note (note)}<li>{note}</li>{/each}
</ul>
<p class="flex gap-2">
  <button class="btn btn-sm btn-primary" onclick={onuse}>Use what was learned</button>
  <button class="btn btn-sm btn-ghost" onclick={onleave}>Leave it</button>
</p>
