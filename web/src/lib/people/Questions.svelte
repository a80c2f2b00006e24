<script lang="ts">
  import { me } from '$lib/api/me.svelte';
  import Dialog from '$lib/ui/Dialog.svelte';
  import PasswordAgain from './PasswordAgain.svelte';
  import SignIn from './SignIn.svelte';

  /** Who is it? Over what was typed where somebody was in before; a page of its own where nobody was. */
  interface Props {
    isOut: boolean;
    ondone: () => void;
  }
  const { isOut, ondone }: Props = $props();
</script>

{#if isOut && !me.wasIn}
  <main class="grid min-h-dvh content-center justify-items-center p-4">
    <section class="card-paper grid w-full max-w-md gap-3 p-6">
      <h1 class="text-2xl">Zealous Ember</h1>
      <SignIn {ondone} />
    </section>
  </main>
{:else if isOut || me.asking === 'name'}
  {#key `${isOut} ${me.asks}`}
    <Dialog title="Who are you?" onclose={() => me.answered(false)}>
      <SignIn {ondone} />
    </Dialog>
  {/key}
{:else if me.asking === 'password'}
  <Dialog title="Your password again" onclose={() => me.answered(false)}>
    <PasswordAgain ondone={() => me.answered(true)} />
  </Dialog>
{/if}
