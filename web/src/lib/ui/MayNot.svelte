<script lang="ts">
  import Lock from '@lucide/svelte/icons/lock';
  import { me } from '$lib/api/me.svelte';

  /** Why something cannot be done here by who is signed in; nothing where it can. */
  interface Props {
    /** As the wire has it: manage, run:3. */
    right: string;
    why: string;
  }
  const { right, why }: Props = $props();
</script>

{#if !me.may(right)}
  <p class="text-soft flex items-center gap-2 text-[14px]" data-testid="may-not">
    <Lock size={16} strokeWidth={1.8} aria-hidden="true" />
    <span
      >{why}{#if me.isDisplay}&nbsp;<button class="link" onclick={() => void me.ask('name')}>Sign in</button
        >{/if}</span
    >
  </p>
{/if}
