<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { display, showAs } from '$lib/display.svelte';
  import { studioSettings } from './queries';

  /** Every screen follows the studio's settings, from the moment they are known and whenever they change. */
  const studio = createQuery(studioSettings);
  $effect(() => {
    if (studio.data) showAs(studio.data.studio);
    else if (studio.isError) display.known = true;
  });
</script>
