<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import { when } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import PairDialog from './PairDialog.svelte';
  import { deviceList, type Device } from './queries';

  /** The phones, tablets and screens of the studio: each shows without anybody signed in, and takes a PIN. */
  const client = useQueryClient();
  const devices = createQuery(deviceList);
  let pairing = $state(false);

  async function revoke(device: Device) {
    const { response, error } = await api.DELETE('/api/devices/{id}', {
      params: { path: { id: device.id } }
    });
    toasts.show(response.ok ? `${device.name} is none of the studio’s any more.` : sayProblem(error), {
      tone: response.ok ? 'plain' : 'error'
    });
    void client.invalidateQueries({ queryKey: ['devices'] });
  }
</script>

<section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="devices">
  <h2 id="devices" class="text-[17px]">Phones, tablets and screens</h2>
  <p class="text-soft text-[14px]">
    A device of the studio shows what is going on without anybody signed in. On it, a name and six digits are
    enough to note something.
  </p>
  <ul class="grid">
    {#each devices.data ?? [] as device (device.id)}
      <li class="border-base-300 flex flex-wrap items-center gap-x-3 border-t py-1.5 first:border-0">
        <b>{device.name}</b>
        <span class="text-soft text-[14px]"
          >{device.isThis
            ? 'this one'
            : device.seenAt
              ? `last seen ${when(new Date(device.seenAt))}`
              : 'not seen yet'}</span
        >
        <button class="btn btn-ghost btn-xs ml-auto" onclick={() => void revoke(device)}>Take away</button>
      </li>
    {:else}
      {#if devices.isSuccess}<li class="text-soft text-[14px]">None yet.</li>{/if}
    {/each}
  </ul>
  <p>
    <button class="btn btn-sm btn-paper" onclick={() => (pairing = true)} data-testid="pair"
      >Add a device</button
    >
  </p>
</section>

{#if pairing}<PairDialog
    onclose={() => {
      pairing = false;
      void client.invalidateQueries({ queryKey: ['devices'] });
    }}
  />{/if}
