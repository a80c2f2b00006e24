<script lang="ts">
  import '@fontsource-variable/fraunces';
  import '@fontsource-variable/source-sans-3';
  import '../app.css';
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import type { Snippet } from 'svelte';
  import { page } from '$app/state';
  import { lend } from '$lib/library/remove';
  import Gate from '$lib/people/Gate.svelte';
  import AlarmBanner from '$lib/live/AlarmBanner.svelte';
  import UnreadableBanner from '$lib/library/UnreadableBanner.svelte';
  import StudioDisplay from '$lib/studio/StudioDisplay.svelte';
  import Places from '$lib/ui/Places.svelte';
  import Toasts from '$lib/ui/Toasts.svelte';

  const { children }: { children: Snippet } = $props();

  const client = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5_000 } } });
  lend(client);

  const bare = $derived(page.url.pathname.endsWith('/print') || page.url.pathname === '/wall');
</script>

<QueryClientProvider {client}>
  <Gate open={page.route.id === '/pair' || page.route.id === '/trust'}>
    {#if bare}
      {@render children()}
    {:else}
      <a class="skip btn btn-primary btn-sm" href="#main">To the content</a>
      <div class="frame">
        <Places />
        <main id="main">
          <AlarmBanner />
          <UnreadableBanner />
          {@render children()}
        </main>
        <StudioDisplay />
      </div>
    {/if}
  </Gate>
  <Toasts />
</QueryClientProvider>

<style>
  .frame {
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr);
    min-height: 100dvh;
  }
  .skip {
    position: fixed;
    top: -60px;
    left: 96px;
    z-index: 60;
  }
  .skip:focus {
    top: 8px;
  }
  @media print {
    .skip {
      display: none;
    }
    .frame {
      display: block;
    }
  }
  @media screen and (max-width: 767px) {
    .frame {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
