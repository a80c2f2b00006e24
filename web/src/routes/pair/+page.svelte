<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { pair } from '$lib/people';

  /** Where the QR on an owner's screen leads to: this device is enrolled, and shows what is going on from then on. */
  let wrong: string | null = $state(null);

  onMount(async () => {
    const code = location.hash.slice(1);
    // The code is used up; it stays in no history.
    history.replaceState(null, '', '/pair');
    wrong = code
      ? await pair(code)
      : 'There is no code in this address. Read the QR on the owner’s screen once more.';
    if (!wrong) await goto('/', { replaceState: true });
  });
</script>

<svelte:head><title>Enrol this device · Zealous Ember</title></svelte:head>

<div class="page">
  <h1 class="text-2xl">Enrol this device</h1>
  {#if wrong}
    <p role="alert">{wrong}</p>
    <p><a class="link" href="/">To the kiln room</a></p>
  {:else}<p>One moment …</p>{/if}
</div>
