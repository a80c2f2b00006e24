<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { apartBy, heat } from '$lib/scales';
  import type { ReadingView } from './reading-draft.svelte';

  /** What the packs say together: how even it was, what the display is off by, what is not believed. */
  const { view }: { view: ReadingView } = $props();
  const said = $derived(view.said);
  const held = $derived(said.learned?.heldBack ?? []);
</script>

<footer>
  {#if said.offsets.length === 0}
    <p>
      No pack read yet. Bend each cone as it stands in the pack; the dashed ones are what the {view.hasLog
        ? 'log'
        : 'plan'} says they should have done.
    </p>
  {:else}
    <dl>
      {#if said.evenness !== null}<div>
          <dt>Between the shelves</dt>
          <dd>{apartBy(said.evenness)} of cone</dd>
        </div>{/if}
      {#if said.offset}<div>
          <dt>Pack minus log</dt>
          <dd>
            {said.offset.mean >= 0.5 ? '+' : ''}{apartBy(said.offset.mean)} ± {apartBy(said.offset.sd * 1.28)}
          </dd>
        </div>{/if}
    </dl>
    {#if said.learned?.displaySays}<p data-testid="display-says">
        So far {onScale(said.learned.displaySays)}.
      </p>{/if}
    {#each held as h (h.shelf)}
      <p class="wrong">
        The pack of the {h.shelf} says {heat(h.told)} where {heat(h.expected)} was expected: was it 04 read as 4,
        or the wrong pack? It is not learned from until another says the same.
      </p>
    {/each}
  {/if}
</footer>

<style>
  dl {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 26px;
  }
  dt {
    color: #b9a893;
    font-size: 12.5px;
  }
  dd {
    font-weight: 650;
  }
  footer {
    padding-top: 6px;
    font-size: 14px;
  }
  .wrong {
    color: #ff9d7d;
    font-size: 13px;
  }
</style>
