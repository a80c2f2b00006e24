<script lang="ts">
  import { mark, reach, slots, type ScoreFigure } from './score';

  /** One kind of number over a kiln's firings: the band that was foretold, and what came, inside or outside of it. */
  const { figure }: { figure: ScoreFigure } = $props();

  const [height, left] = [96, 58];
  let width = $state(230);
  const all = $derived(slots(figure));
  const most = $derived(reach(all));
  /** What lies further off is drawn at the edge. */
  const y = (value: number) =>
    height / 2 - (Math.max(-most, Math.min(most, value)) / most) * (height / 2 - 5);
  const x = (at: number) => left + 4 + at * (width - left - 8);
  const round = $derived(mark(figure.unit, most));
  const dot = $derived(all.length > 30 ? 2.2 : 3.2);
  const bar = $derived(Math.min(9, Math.max(1.6, (width - left) / (all.length * 2))));
</script>

<figure class="rounded-box border-base-300 border px-3 py-2" data-testid="score-{figure.kind}">
  <figcaption class="text-[13px]">
    <span class="flex items-baseline justify-between gap-2">
      <span>{figure.label}</span><b class="whitespace-nowrap">{Math.round(figure.share * 100)} % inside</b>
    </span>
    <span class="text-soft block min-h-[1.3em]">{figure.text}</span>
  </figcaption>
  <div bind:clientWidth={width}>
    <svg {width} {height} role="group" aria-label="{figure.label}: {figure.text}">
      <line x1={left} x2={width} y1={y(0)} y2={y(0)} class="zero" />
      <text x={left - 5} y={y(0) + 3.5} text-anchor="end">foretold</text>
      {#each [1, -1] as side (side)}
        <text x={left - 5} y={y(round.value * side) + 3.5} text-anchor="end"
          >{side > 0 ? round.text : round.text.replace('+', '−')}</text
        >
      {/each}
      {#each all as slot (slot.key)}
        <a href="/firings/{slot.firingId}?stage=read" aria-label={slot.title}>
          <title>{slot.title}</title>
          <rect
            x={x(slot.at) - bar / 2}
            width={bar}
            y={y(slot.high)}
            height={y(slot.low) - y(slot.high)}
            rx="2"
          />
          {#if slot.isInside}
            <circle cx={x(slot.at)} cy={y(slot.came)} r={dot} />
          {:else}
            <path
              class="out"
              d="M{x(slot.at) - dot} {y(slot.came) - dot}l{2 * dot} {2 * dot}m0 {-2 * dot}l{-2 * dot} {2 *
                dot}"
              data-testid="outside"
            />
          {/if}
        </a>
      {/each}
    </svg>
  </div>
</figure>

<style>
  svg {
    display: block;
    max-width: 100%;
  }
  rect {
    fill: var(--color-primary);
    fill-opacity: 0.22;
  }
  circle {
    fill: var(--color-primary);
  }
  .out {
    fill: none;
    stroke: var(--color-error);
    stroke-width: 2;
  }
  .zero {
    stroke: var(--color-base-300);
    stroke-dasharray: 3 4;
  }
  text {
    font-size: 10.5px;
    fill: var(--color-soft);
    font-variant-numeric: tabular-nums;
  }
  a:hover rect {
    fill-opacity: 0.4;
  }
</style>
