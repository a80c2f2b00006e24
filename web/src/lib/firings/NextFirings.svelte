<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { clock, kindName, plural } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { latestFirings } from './queries';

  /** What is planned for the kilns: what has a start first, in its order; then what still wants one. */
  const planned = createQuery(() => latestFirings('planned'));
  const fired = createQuery(() => latestFirings('fired'));
  const kilns = createQuery(kilnList);
  const shown = 3;
  /** A firing whose start is longer past is no longer what comes next. */
  const recent = Date.now() - 2 * 86_400_000;

  const next = $derived(
    (planned.data ?? [])
      .map((item) => ({
        ...item,
        starts: item.firing.startsAt ? Date.parse(item.firing.startsAt) : Infinity
      }))
      .filter((item) => item.starts > recent)
      .sort((a, b) => a.starts - b.starts || Date.parse(b.updatedAt) - Date.parse(a.updatedAt))
      .slice(0, shown)
  );
  /** Opened in the last weeks, and nobody has said yet that its packs and its ware were read. */
  const unread = $derived(
    (fired.data ?? []).filter(
      ({ run }) => run?.state === 'opened' && Date.parse(run.openedAt ?? '') > Date.now() - 30 * 86_400_000
    )
  );
  const kilnOf = (id: number | null | undefined) => kilns.data?.find((k) => k.id === id)?.kiln.name;
</script>

{#if unread.length || next.length}
  <div class="grid content-start gap-3">
    {#if unread.length}
      <p class="card-paper px-4 py-2 text-[14px]" data-testid="to-be-read">
        To be read:
        {#each unread as item, i (item.id)}{i > 0 ? ', ' : ''}<a
            class="link"
            href="/firings/{item.id}?stage=read">{item.firing.name}</a
          >{/each}
      </p>
    {/if}
    {#if next.length}
      <section aria-labelledby="next-firings">
        <div class="mb-2 flex items-baseline justify-between">
          <h2 id="next-firings" class="text-lg">Next in the kilns</h2>
          <a class="link link-hover text-primary text-sm" href="/firings">All firings</a>
        </div>
        <ul class="card-paper divide-base-300 divide-y" data-testid="next">
          {#each next as item (item.id)}
            <li>
              <a
                class="hover:bg-base-200 grid grid-cols-[6.5rem_1fr] items-baseline gap-x-3 px-4 py-1.5 text-[14px]"
                href="/firings/{item.id}?stage=plan"
              >
                <span class={item.starts < Infinity ? 'font-semibold' : 'text-soft'}
                  >{item.starts < Infinity ? clock(new Date(item.starts)) : 'no start yet'}</span
                >
                <b class="font-serif text-[16px]">{item.firing.name}</b>
                <span class="text-soft col-start-2"
                  >{kindName(item.firing.kind ?? '')}{#if kilnOf(item.firing.kilnId)}, in {kilnOf(
                      item.firing.kilnId
                    )}{/if}, {plural(
                    (item.firing.lots ?? []).reduce((sum, lot) => sum + (lot?.count ?? 0), 0),
                    'piece'
                  )}</span
                >
              </a>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
  </div>
{/if}
