<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api } from '$lib/api/client';
  import { plural } from '$lib/format';

  /** What is stored but cannot be read is said, and comes out as it stands. */
  const unreadable = createQuery(() => ({
    queryKey: ['unreadable'],
    staleTime: 60_000,
    queryFn: async () => (await api.GET('/api/unreadable')).data ?? []
  }));
  const rows = $derived(unreadable.data ?? []);
</script>

{#if rows.length}
  <details class="alert border-warning bg-base-100 m-3 block py-2 print:hidden" data-testid="unreadable">
    <summary class="cursor-pointer">
      {plural(rows.length, 'entry', 'entries')} in the data file cannot be read. Everything else works; nothing
      was changed.
    </summary>
    <ul class="mt-2 grid gap-1 text-[13.5px]">
      {#each rows as row (row.raw)}
        <li>
          <b>{row.name || 'Without a name'}</b>, {row.table}
          {row.id}:
          <a class="link text-primary" href={row.raw} download>download its content</a>
        </li>
      {/each}
    </ul>
  </details>
{/if}
