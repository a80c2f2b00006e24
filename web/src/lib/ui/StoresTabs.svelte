<script lang="ts">
  import { page } from '$app/state';

  const tabs = [
    { href: '/stores/kilns', name: 'Kilns' },
    { href: '/stores/clays', name: 'Clays' },
    { href: '/stores/glazes', name: 'Glazes' },
    { href: '/stores/clock', name: 'Hours and prices' }
  ];
</script>

<nav class="flex gap-4 text-[15px]" aria-label="Stores">
  {#each tabs as tab (tab.href)}
    {@const on = page.url.pathname.startsWith(tab.href)}
    <a
      href={tab.href}
      aria-current={on ? 'page' : undefined}
      class={[
        'border-b-2 pb-0.5',
        on ? 'border-primary font-semibold' : 'text-soft hover:border-base-300 border-transparent'
      ]}>{tab.name}</a
    >
  {/each}
</nav>
