<script lang="ts">
  import { page } from '$app/state';

  interface Props {
    label: string;
    tabs: readonly { href: string; name: string }[];
  }
  /** The pages of one place. */
  const { label, tabs }: Props = $props();
</script>

<nav class="flex flex-wrap gap-x-4 text-[15px]" aria-label={label}>
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
