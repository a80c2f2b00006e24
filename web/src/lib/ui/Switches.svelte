<script lang="ts">
  interface Props {
    positions: readonly string[];
    sections: readonly string[];
    /** Every position a switch has, the lowest first. */
    all: readonly string[];
  }
  /** Switches drawn as they are to stand, the upper ones above. */
  const { positions, sections, all }: Props = $props();

  /** From lower left over the top to lower right. */
  const angle = (position: string) =>
    -130 + (260 * Math.max(0, all.indexOf(position))) / Math.max(1, all.length - 1);
</script>

<ul class="flex flex-wrap gap-4" aria-label="Switches">
  {#each positions as position, i (i)}
    <li class="grid justify-items-center text-[13.5px]">
      <svg viewBox="-30 -30 60 60" width="70" height="70" role="img" aria-label="{sections[i]}: {position}">
        {#each all as mark (mark)}
          <line
            y1="-27"
            y2={mark === position ? -19 : -23}
            stroke="currentColor"
            stroke-width={mark === position ? 3 : 1.5}
            transform="rotate({angle(mark)})"
          />
        {/each}
        <circle r="17" fill="var(--color-base-200)" stroke="currentColor" />
        <line
          y1="4"
          y2="-15"
          stroke="var(--color-primary)"
          stroke-width="4"
          stroke-linecap="round"
          transform="rotate({angle(position)})"
        />
      </svg>
      <span>{sections[i]} <b>{position}</b></span>
    </li>
  {/each}
</ul>
