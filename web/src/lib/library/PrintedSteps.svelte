<script lang="ts">
  import type { Preview, Schedule } from '$lib/api/client';
  import { clock, duration } from '$lib/format';
  import { stepSentence } from './step-sentence';

  /** The steps on paper, each with a box to tick. Print as large as the sheet says. */
  const { schedule, preview }: { schedule: Schedule; preview: Preview } = $props();
</script>

<table>
  <thead>
    <tr
      ><th>Step</th><th>Do</th><th>Why</th><th class="r">Takes</th><th class="r">From</th><th class="r"
        >Done</th
      ></tr
    >
  </thead>
  <tbody>
    {#each schedule.segments as step, i (i)}
      {@const times = preview.segments[i]}
      <tr>
        <td>{i + 1}</td>
        <td class="do">{stepSentence(step, times?.direction ?? 'up', preview.unit)}</td>
        <td class="why">{step.reason ?? ''}</td>
        <td class="r">{times ? duration(times.rampMinutes + times.holdMinutes) : ''}</td>
        <td class="r"
          >{times?.startsAt ? clock(new Date(times.startsAt)) : times ? duration(times.startMinute) : ''}</td
        >
        <td class="r"><span class="box"></span></td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    margin-top: 6px;
  }
  th {
    text-align: left;
    font-weight: 600;
    font-size: 0.85em;
    color: #555;
  }
  th,
  td {
    padding: calc((var(--size) - 5px) * 0.4) 0.5em;
    border-bottom: 1px solid #ddd;
    vertical-align: top;
  }
  .do {
    font-weight: 600;
  }
  .why {
    color: #555;
    max-width: 75mm;
  }
  .r {
    text-align: right;
    white-space: nowrap;
  }
  .box {
    display: inline-block;
    width: 1em;
    height: 1em;
    border: 1px solid #555;
    border-radius: 2px;
  }
</style>
