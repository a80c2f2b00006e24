<script lang="ts">
  import type { Run } from './types';

  /** Where readings come from, and how fast a simulated kiln runs. */
  interface Props {
    isFuel: boolean;
    link: Run['link'];
    speed: number;
  }
  let { isFuel, link = $bindable(), speed = $bindable() }: Props = $props();

  type Link = Run['link'];
  const fuelLinks: { id: Link; name: string; why: string }[] = [
    {
      id: 'hand',
      name: 'Turned and seen by hand',
      why: 'turns, colours, cones and smell; a thermometer if there is one'
    },
    { id: 'push', name: 'A logger reads a thermometer', why: 'turns are noted by hand all the same' }
  ];
  const links: { id: Link; name: string; why: string }[] = [
    { id: 'push', name: 'A logger sends them', why: 'with the token made on the kiln’s page' },
    { id: 'hand', name: 'Read off by hand', why: 'a reading in two taps, every half hour or so' },
    { id: 'simulated', name: 'A simulated kiln', why: 'to try it out: nothing is heated' }
  ];
</script>

<fieldset class="grid gap-1">
  <legend class="mb-1 font-semibold">{isFuel ? 'How it is followed' : 'Readings'}</legend>
  {#each isFuel ? fuelLinks : links as choice (choice.id)}
    <label class="choice"
      ><input type="radio" class="radio radio-primary" name="link" value={choice.id} bind:group={link} /><span
        ><b>{choice.name}</b>, <span class="text-soft">{choice.why}</span></span
      ></label
    >
  {/each}
  {#if link === 'simulated'}
    <label class="ml-9 flex items-center gap-2"
      >at <select class="select select-sm w-auto" aria-label="Speed" bind:value={speed}
        ><option value={1}>real time</option><option value={60}>60 times real time</option><option value={600}
          >600 times real time</option
        ></select
      ></label
    >
  {/if}
</fieldset>

<style>
  .choice {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 44px;
    cursor: pointer;
  }
</style>
