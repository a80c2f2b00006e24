<script lang="ts">
  import Flame from '@lucide/svelte/icons/chart-spline';
  import ListTree from '@lucide/svelte/icons/chart-no-axes-gantt';
  import Moon from '@lucide/svelte/icons/moon';
  import Package from '@lucide/svelte/icons/archive';
  import Sun from '@lucide/svelte/icons/sun';
  import UserRound from '@lucide/svelte/icons/user-round';
  import { page } from '$app/state';
  import { me } from '$lib/api/me.svelte';
  import { theme } from './theme.svelte';

  /** The places of the program, at the side, and at the thumb on a phone. */
  const path = $derived(page.url.pathname);
</script>

<nav aria-label="Places">
  <a class="mark" href="/" aria-label="Zealous Ember, kiln room">
    <svg viewBox="0 0 40 40" width="38" height="38" aria-hidden="true">
      <path d="M8 35V20a12 12 0 0 1 24 0v15z" fill="none" stroke="currentColor" stroke-width="2.6" />
      <path
        d="M20 33c-5 0-7-3.400-6-7 .7-2.500 3-3.600 3.400-7.500 4 1.900 5.300 4.800 4.900 7 .9-.4 1.500-1.300 1.600-2.300 2.600 3.600 2 9.800-3.900 9.800z"
        fill="#f08a33"
      />
    </svg>
  </a>
  <a class="place" class:on={path === '/'} aria-current={path === '/' ? 'page' : undefined} href="/">
    <svg
      viewBox="0 0 24 24"
      width="22"
      height="22"
      fill="none"
      stroke="currentColor"
      stroke-width="1.7"
      aria-hidden="true"
    >
      <path d="M4 21V11a8 8 0 0 1 16 0v10zM9 21v-7h6v7" />
    </svg>
    Kiln room
  </a>
  <a
    class="place"
    class:on={path.startsWith('/firings')}
    aria-current={path.startsWith('/firings') ? 'page' : undefined}
    href="/firings"
  >
    <Flame size={22} strokeWidth={1.7} aria-hidden="true" />
    Firings
  </a>
  <a
    class="place"
    class:on={path.startsWith('/schedules')}
    aria-current={path.startsWith('/schedules') ? 'page' : undefined}
    href="/schedules"
  >
    <ListTree size={22} strokeWidth={1.7} aria-hidden="true" />
    Schedules
  </a>
  <a
    class="place"
    class:on={path.startsWith('/bench')}
    aria-current={path.startsWith('/bench') ? 'page' : undefined}
    href="/bench/cones"
  >
    <svg
      viewBox="0 0 24 24"
      width="22"
      height="22"
      fill="none"
      stroke="currentColor"
      stroke-width="1.7"
      aria-hidden="true"
    >
      <path d="m4 21 3-16 3 16zM13 21l5-10 2.500 10z" />
    </svg>
    Bench
  </a>
  <a
    class="place"
    class:on={path.startsWith('/stores')}
    aria-current={path.startsWith('/stores') ? 'page' : undefined}
    href="/stores/kilns"
  >
    <Package size={22} strokeWidth={1.7} aria-hidden="true" />
    Stores
  </a>
  {#if me.isShared}
    <a
      class="place foot who"
      href="/stores/people"
      data-testid="who"
      onclick={(e) => {
        // A screen of the studio asks at once who it is.
        if (me.now?.person) return;
        e.preventDefault();
        void me.ask('name');
      }}
    >
      <UserRound size={20} strokeWidth={1.7} aria-hidden="true" />
      <span class="name">{me.now?.person?.name ?? 'Sign in'}</span>
    </a>
  {/if}
  <button class="place" class:foot={!me.isShared} onclick={() => theme.toggle()} data-testid="theme">
    {#if theme.current === 'bisque'}<Moon size={20} strokeWidth={1.7} />Night watch{:else}<Sun
        size={20}
        strokeWidth={1.7}
      />Daylight{/if}
  </button>
</nav>

<style>
  nav {
    position: sticky;
    top: 0;
    height: 100dvh;
    background: var(--color-neutral);
    color: var(--color-neutral-content);
    display: flex;
    flex-direction: column;
    align-items: center;
    padding: 12px 0;
    gap: 4px;
  }
  .mark {
    margin-bottom: 14px;
  }
  .place {
    width: 74px;
    padding: 9px 0 8px;
    font-size: 12px;
    border-radius: 10px;
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 4px;
    cursor: pointer;
  }
  .place:hover {
    background: rgb(255 255 255 / 0.07);
  }
  .on {
    background: #3a3029;
    color: #ffd9a8;
  }
  .foot {
    margin-top: auto;
  }
  .name {
    max-width: 70px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  nav :focus-visible {
    outline-color: #ffd9a8;
  }
  @media print {
    nav {
      display: none;
    }
  }
  @media screen and (max-width: 767px) {
    nav {
      position: fixed;
      top: auto;
      bottom: 0;
      left: 0;
      right: 0;
      height: 64px;
      z-index: 40;
      flex-direction: row;
      justify-content: space-around;
      padding: 4px 6px;
    }
    /* On a phone it is under Stores. */
    .mark,
    .who {
      display: none;
    }
    .place {
      width: 62px;
      font-size: 11px;
    }
    .foot {
      margin: 0;
    }
  }
</style>
