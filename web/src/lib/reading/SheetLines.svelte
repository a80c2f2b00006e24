<script lang="ts">
  import type { components } from '$lib/api/schema';
  import { display } from '$lib/display.svelte';
  import { dayName, duration, number, shortTime } from '$lib/format';
  import { toUnit } from '$lib/units';

  /** A firing line by line on paper: when, how hot, how hot it should have been, what was noted, room to write. */
  interface Props {
    lines: readonly components['schemas']['LogSheetLineContract'][];
    /** Who fired it: others are named. */
    by: string | null;
  }
  const { lines, by }: Props = $props();
  const unit = $derived(display.unit);
  const bare = (celsius: number | null) => (celsius === null ? '' : number(toUnit(celsius, unit), 0));
</script>

<table>
  <thead>
    <tr>
      <th scope="col" class="num">At</th>
      <th scope="col" class="num">After</th>
      <th scope="col" class="num">Was °{unit}</th>
      <th scope="col" class="num">Asked °{unit}</th>
      <th scope="col">Turned, seen, noted</th>
      <th scope="col" class="room">Room to write</th>
    </tr>
  </thead>
  <tbody>
    {#each lines as line, i (i)}
      {@const at = new Date(line.at)}
      {@const before = lines[i - 1]}
      <tr>
        <td class="num"
          >{before && dayName(new Date(before.at)) === dayName(at) ? '' : `${dayName(at)} `}<b
            >{shortTime(at)}</b
          ></td
        >
        <td class="num">{duration(line.minute)}</td>
        <td class="num">{bare(line.celsius)}</td>
        <td class="num">{bare(line.asked)}</td>
        <td data-units="own"
          >{line.text ?? ''}{line.text && line.by && line.by !== by ? ` (${line.by})` : ''}</td
        >
        <td class="room"></td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    width: 100%;
    margin-top: 6px;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-size: 0.85em;
    color: #555;
    font-weight: 600;
    padding: 2px 10px 2px 0;
  }
  td {
    border-top: 1px solid #ccc;
    padding: 0.16em 10px 0.16em 0;
    vertical-align: top;
  }
  .num {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  .room {
    width: 26%;
    border-left: 1px solid #ccc;
    padding-left: 8px;
  }
  @media screen and (max-width: 800px) {
    .room {
      display: none;
    }
  }
</style>
