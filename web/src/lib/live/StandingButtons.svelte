<script lang="ts">
  import AlarmSound from './AlarmSound.svelte';

  /** What is always there while a firing goes on: whether its alarms are heard here, its end, its tag. */
  interface Props {
    firingId: number;
    canStop: boolean;
    canOpen: boolean;
    onend: (what: 'stop' | 'open') => void;
  }
  const { firingId, canStop, canOpen, onend }: Props = $props();
</script>

<AlarmSound />
<div class="flex flex-wrap gap-2">
  {#if canStop}<button class="btn btn-ghost text-error" onclick={() => onend('stop')}>Stop this firing</button
    >{/if}
  {#if canOpen}<button class="btn btn-ghost" onclick={() => onend('open')}>Kiln opened</button>{/if}
  <a class="btn btn-ghost" href="/firings/{firingId}/tag">Print the tag</a>
</div>
