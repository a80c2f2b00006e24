<script lang="ts">
  import type { Frame } from '$lib/chart/frame';
  import { airNames, type AirStretch } from './words';

  /** The air along the foot of a chart: a band and a word for each stretch that is not in oxidation. */
  interface Props {
    frame: Frame;
    stretches: readonly AirStretch[];
    /** Until the burners go out. */
    until: number;
    paper?: boolean;
  }
  const { frame, stretches: all, until, paper = false }: Props = $props();
  const stretches = $derived(all.filter((s) => s.band !== 'oxidising'));
  const fills = {
    oxidising: 'none',
    neutral: '#8d8a86',
    'light-reduction': '#d9963f',
    'heavy-reduction': '#c2571d'
  };
  /** Too narrow to be written in: said once behind them, in one word where the names of what lies there need the room. */
  const end = $derived(frame.x(Math.min(until, stretches.at(-1)?.toMinute ?? 0)) + 7);
  const names = $derived(
    stretches.length > 0 &&
      stretches.every(
        (s) => frame.x(Math.min(s.toMinute, until)) - frame.x(s.fromMinute) <= airNames[s.band].length * 6.2
      )
      ? stretches.map((s) => airNames[s.band]).join(', then ')
      : ''
  );
  const room = $derived(frame.width - frame.right - 60 - end);
  const behind = $derived(names.length * 6.2 <= room || !names.endsWith('reduction') ? names : 'reduction');
  const y = $derived(frame.height - frame.bottom - 17);
</script>

<g
  data-air
  role="img"
  aria-label="The air: {stretches.map((s) => airNames[s.band]).join(', then ') || 'oxidation'}"
>
  {#each stretches as s (s.fromMinute)}
    {@const x = frame.x(s.fromMinute)}
    {@const width = Math.max(2, frame.x(Math.min(s.toMinute, until)) - x)}
    <rect {x} {y} {width} height="15" fill={fills[s.band]} fill-opacity={paper ? 0.35 : 0.5} />
    {#if width > airNames[s.band].length * 6.2}
      <text
        x={x + width / 2}
        y={y + 11.5}
        text-anchor="middle"
        font-size="11.5"
        fill={paper ? '#222' : '#fff4e2'}>{airNames[s.band]}</text
      >
    {/if}
  {/each}
  {#if behind}<text x={end} y={y + 11.5} font-size="11.5" fill={paper ? '#222' : '#e9c79b'}>{behind}</text
    >{/if}
</g>
