<script lang="ts">
  import RoomKiln from './RoomKiln.svelte';
  import { watchingRoom } from './room.svelte';

  /** Every kiln as it is now. */
  interface Props {
    /** For a screen on the wall: large, nothing to press. */
    wall?: boolean;
  }
  const { wall = false }: Props = $props();

  const room = watchingRoom();
</script>

{#if room.kilns}
  <ul class={['room', wall && 'wall']} data-testid="room">
    {#each room.kilns as kiln (kiln.kilnId)}<RoomKiln {kiln} live={room.liveOf(kiln)} {wall} />{/each}
  </ul>
{/if}

<style>
  .room {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
    gap: 12px;
  }
  .wall {
    grid-template-columns: repeat(auto-fit, minmax(460px, 1fr));
    gap: 22px;
  }
</style>
