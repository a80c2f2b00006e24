<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { kilnList } from '$lib/kilns/queries';
  import RestoreStudio from './RestoreStudio.svelte';
  import StarterSchedules from './StarterSchedules.svelte';

  /** The first steps in a studio that has nothing yet. */
  const kilns = createQuery(kilnList);
  const hasKiln = $derived((kilns.data?.length ?? 0) > 0);
</script>

<div class="card-paper grid max-w-2xl gap-3 p-5" data-testid="welcome">
  <h3 class="text-lg">Set up your studio</h3>
  <ol class="grid list-decimal gap-3 pl-5">
    <li>
      <b>{hasKiln ? 'Your kiln is added.' : 'Add your kiln.'}</b>
      <span class="text-soft">Its plate is enough; times, power and cost follow from it.</span>
      {#if !hasKiln}<a class="btn btn-sm btn-primary mt-1 flex w-fit" href="/stores/kilns/new"
          >Add your kiln</a
        >{/if}
    </li>
    <li>
      <b>Write or plan your first firing.</b>
      <span class="text-soft">Write the schedule you know, or say what goes in and let it be planned.</span>
      <span class="mt-1 flex flex-wrap gap-2">
        <a class="btn btn-sm btn-paper" href="/schedules/new">Write a schedule</a>
        <a class="btn btn-sm btn-paper" href="/firings">Plan a firing</a>
      </span>
    </li>
    <li>
      <b>Or begin with starter schedules.</b>
      <span class="text-soft"
        >Six plain schedules to change as you like. Your kiln maker's manual comes first.</span
      >
      <span class="mt-1 block"><StarterSchedules /></span>
    </li>
    <li>
      <b>Or go on with a studio from another computer.</b>
      <span class="text-soft">The whole of it, from the archive it gives under Stores, Settings.</span>
      <span class="mt-1 block"><RestoreStudio /></span>
    </li>
  </ol>
</div>
