<script lang="ts">
  import { person } from '$lib/api/person';

  /** Who works at this device; a history can then say who changed what. */
  let name = $state(person.name);
</script>

<section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="this-device">
  <h2 id="this-device" class="text-[17px]">This device</h2>
  <label class="grid gap-1 text-[14px]"
    >Your name
    <input
      class="input input-sm w-56"
      maxlength="60"
      autocomplete="given-name"
      placeholder="so that changes say who made them"
      bind:value={name}
      oninput={() => (person.name = name)}
    /></label
  >
</section>
