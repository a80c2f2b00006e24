<script lang="ts">
  import Tabs from './Tabs.svelte';
</script>

<Tabs
  label="Stores"
  tabs={[
    { href: '/stores/kilns', name: 'Kilns' },
    { href: '/stores/controllers', name: 'Controllers' },
    { href: '/stores/clays', name: 'Clays' },
    { href: '/stores/glazes', name: 'Glazes' },
    { href: '/stores/clock', name: 'Hours and prices' },
    { href: '/stores/settings', name: 'Settings' },
    { href: '/stores/people', name: 'People' }
  ]}
/>
