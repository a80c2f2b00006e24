<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { showAs } from '$lib/display.svelte';
  import { studioHours } from '$lib/kilns/queries';

  /** Every screen follows the studio's settings, from the moment they are known and whenever they change. */
  const studio = createQuery(studioHours);
  $effect(() => {
    if (studio.data) showAs(studio.data.studio);
  });
</script>
