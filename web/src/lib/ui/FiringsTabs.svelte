<script lang="ts">
  import { page } from '$app/state';

  const inBook = $derived(/\/firings\/(logbook|compare)/.test(page.url.pathname));
  const tabs = $derived([
    { href: '/firings', name: 'In hand', on: !inBook },
    { href: '/firings/logbook', name: 'Logbook', on: inBook }
  ]);
</script>

<nav class="flex flex-wrap gap-x-4 text-[15px]" aria-label="Firings">
  {#each tabs as tab (tab.href)}
    <a
      href={tab.href}
      aria-current={tab.on ? 'page' : undefined}
      class={[
        'border-b-2 pb-0.5',
        tab.on ? 'border-primary font-semibold' : 'text-soft hover:border-base-300 border-transparent'
      ]}>{tab.name}</a
    >
  {/each}
</nav>
