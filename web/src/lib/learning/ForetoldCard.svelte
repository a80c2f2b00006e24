<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { shelfWords } from '$lib/reading/words';
  import { foretoldOf, sayForetold, sayOff } from './score';

  /** What was foretold of one firing when it was started, beside what came. */
  const { firingId, kilnId }: { firingId: number; kilnId: number | null } = $props();

  const foretold = createQuery(() => foretoldOf(firingId));
  const numbers = $derived(foretold.data?.numbers ?? []);
</script>

{#if numbers.length > 0}
  <details class="card-paper mt-3.5 p-4" data-testid="foretold">
    <summary class="cursor-pointer">What was foretold, and what came</summary>
    <p class="my-2">
      {foretold.data?.text}
      {#if kilnId !== null}<a class="link" href="/stores/kilns/{kilnId}#taught">All firings of this kiln</a
        >{/if}
    </p>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="overflow-x-auto" role="region" aria-label="Foretold and come" tabindex="0">
      <table class="w-full text-[14px]">
        <thead>
          <tr>
            <th scope="col"><span class="sr-only">What</span></th>
            <th scope="col">Foretold</th>
            <th scope="col">Four in five between</th>
            <th scope="col">Came</th>
          </tr>
        </thead>
        <tbody>
          {#each numbers as n (`${n.kind} ${n.shelf ?? ''}`)}
            <tr>
              <th scope="row"
                >{n.kind === 'cone'
                  ? `What ${n.shelf === null ? 'the shelves get' : `the ${shelfWords(n.shelf).toLowerCase()} gets`}, as a cone’s end point`
                  : n.label}</th
              >
              <td>{sayForetold(n, n.likely)}</td>
              <td
                >{sayForetold(n, n.from)} – {sayForetold(n, n.to)}{n.widened > 1
                  ? `, told ${n.widened} times as wide`
                  : ''}</td
              >
              <td>
                {#if n.came === null}<span class="text-soft">not known</span>{:else}
                  <b>{sayForetold(n, n.came)}</b>
                  <span class={n.isInside ? 'text-soft' : 'text-error'}
                    >{sayOff(n, n.came - n.likely)}{n.isInside ? '' : ', outside'}</span
                  >
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </details>
{/if}

<style>
  th,
  td {
    padding: 4px 14px 4px 0;
    text-align: left;
    font-variant-numeric: tabular-nums;
  }
  th {
    font-weight: 400;
  }
  thead th {
    color: var(--color-soft);
    font-size: 13px;
  }
  tbody tr {
    border-top: 1px solid var(--color-base-300);
  }
</style>
