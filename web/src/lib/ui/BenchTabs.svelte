<script lang="ts">
  import Tabs from './Tabs.svelte';
</script>

<Tabs
  label="Bench"
  tabs={[
    { href: '/bench/cones', name: 'Cones' },
    { href: '/bench/air', name: 'Air' },
    { href: '/bench/practice', name: 'Practice' },
    { href: '/bench/glossary', name: 'Glossary' }
  ]}
/>
