<script lang="ts">
  import { area } from '$lib/scales';
  import type { KilnBody } from '$lib/api/client';
  import { number } from '$lib/format';

  /** A gas kiln from the front, with what its numbers mean: burners, inlets, chamber, flue, damper, draft. */
  const { kiln }: { kiln: KilnBody } = $props();
  const hasStack = $derived(kiln.class?.startsWith('downdraft') ?? false);
  const burners = $derived(Math.min(4, Math.max(1, Math.round(kiln.burners ?? 2))));
  const xs = $derived(Array.from({ length: burners }, (_, i) => 62 + ((i + 0.5) * 116) / burners));
</script>

<figure class="card-paper px-3 py-2">
  <svg
    viewBox="0 0 330 210"
    width="100%"
    role="img"
    aria-label="The kiln drawn: {burners} burners below, the flue {hasStack ? 'into a stack' : 'on top'}"
  >
    <g fill="none" stroke="currentColor" stroke-width="1.6">
      <rect x="50" y="52" width="140" height="120" rx="3" class="brick" />
      <rect x="64" y="66" width="112" height="92" class="hot" />
      {#if hasStack}
        <path d="M190 150 H214 V8 M238 8 V172 H190" />
        <path d="M206 120 h16" stroke-width="4" class="damper" />
      {:else}
        <path d="M104 52 V26 M136 26 V52" />
        <path d="M96 30 h34" stroke-width="4" class="damper" />
      {/if}
      {#each xs as x (x)}
        <path d="M{x} 200 V180" stroke-width="5" />
        <path d="M{x - 5} 176 q5 -22 5 -30 q0 8 5 30 z" class="flame" />
        <path d="M{x - 13} 190 q2 -8 8 -12 M{x + 13} 190 q-2 -8 -8 -12" class="air" />
      {/each}
    </g>
    <g font-size="11.5" fill="currentColor">
      <text x={hasStack ? 246 : 150} y={hasStack ? 60 : 26}
        >{hasStack ? 'stack' : 'draws over'} {number(kiln.draft ?? 0, 2)} m</text
      >
      <text x={hasStack ? 246 : 150} y={hasStack ? 122 : 42}>damper, flue {area(kiln.flue ?? 0)}</text>
      <text x="120" y="112" text-anchor="middle">{number(kiln.volume ?? 0, 0)} L</text>
      <text x={hasStack ? 246 : 200} y="168">inlets {area(kiln.inlets ?? 0)}</text>
      <text x={hasStack ? 246 : 200} y="186"
        >{number(kiln.burners ?? 0, 0)} × {number(kiln.burnerPower ?? 0)} kW</text
      >
      <text x={hasStack ? 246 : 200} y="202">at {number(kiln.mostPressure ?? 0, 3)} bar</text>
    </g>
  </svg>
  <figcaption class="text-soft text-[12.5px]">
    Hot gas draws: out through the flue as far as the damper lets it, in through the inlets beside the flames.
    More damper is more air. Not to scale.
  </figcaption>
</figure>

<style>
  .brick {
    fill: color-mix(in oklab, var(--color-base-300) 60%, transparent);
  }
  .hot {
    fill: color-mix(in oklab, var(--color-primary) 22%, var(--color-base-100));
  }
  .flame {
    fill: color-mix(in oklab, var(--color-primary) 70%, transparent);
    stroke: var(--color-primary);
  }
  .air {
    stroke: var(--color-secondary);
  }
  .damper {
    stroke: var(--color-secondary);
  }
</style>
