<script lang="ts">
  import { airBands } from '$lib/api/vocabulary';

  /** Where the air is between soot and too much of it. */
  const { lambda }: { lambda: number } = $props();
  const [least, most] = [0.6, 2];
  const place = (l: number) => Math.min(100, Math.max(0, ((l - least) / (most - least)) * 100));
  const bands = airBands.map((band, i) => ({
    name: band.id,
    from: Math.max(least, band.from),
    to: airBands[i + 1]?.from ?? most
  }));
</script>

<div class="scale" aria-hidden="true">
  {#each bands as b (b.name)}<span
      class={b.name}
      style:left="{place(b.from)}%"
      style:width="{place(b.to) - place(b.from)}%"
    ></span>{/each}
  <i style:left="{place(lambda)}%"></i>
</div>

<style>
  .scale {
    position: relative;
    height: 16px;
    margin: 8px 0 12px;
    border-radius: 8px;
    overflow: hidden;
    background: var(--color-base-300);
  }
  .scale span {
    position: absolute;
    inset-block: 0;
  }
  .soot {
    background: #3a2c24;
  }
  .heavy-reduction {
    background: #c2571d;
  }
  .light-reduction {
    background: #d9963f;
  }
  .neutral {
    background: #a8a29b;
  }
  .oxidising {
    background: #7ba3c9;
  }
  .scale i {
    position: absolute;
    inset-block: -2px;
    width: 4px;
    margin-left: -2px;
    background: var(--color-base-content);
  }
</style>
