<script lang="ts">
  import { api, sayProblem } from '$lib/api/client';
  import { shortTime } from '$lib/format';
  import Dialog from '$lib/ui/Dialog.svelte';
  import type { Pairing } from './queries';

  /** A QR that enrols whatever reads it, once; or this very screen. */
  const { onclose }: { onclose: () => void } = $props();
  let name = $state('');
  let busy = $state(false);
  let wrong: string | null = $state(null);
  let offer: Pairing | null = $state.raw(null);

  async function make(here: boolean) {
    busy = true;
    const { data, error } = here
      ? await api.POST('/api/devices', { body: { name } })
      : await api.POST('/api/devices/pairings', { body: { name } });
    busy = false;
    if (!data) return void (wrong = sayProblem(error));
    if ('qrSvg' in data) offer = data;
    else onclose();
  }
</script>

<Dialog title="Add a device" {onclose}>
  {#if offer}
    <div class="grid justify-items-center gap-3">
      <img
        class="qr"
        alt="QR that enrols {name}"
        src="data:image/svg+xml,{encodeURIComponent(offer.qrSvg)}"
      />
      <p class="text-center">
        Read it with the camera of <b>{name}</b>. It is good once, until {shortTime(new Date(offer.until))}.
      </p>
      <p class="text-soft text-[13.5px] break-all" data-testid="pair-address">{offer.address}</p>
      {#if /\/\/(127\.|localhost)/.test(offer.address)}
        <p class="border-warning border-l-4 pl-3 text-[14px]">
          This leads to this machine alone. For a phone, open the studio’s network first.
        </p>
      {/if}
      <button class="btn btn-primary" onclick={onclose}>Done</button>
    </div>
  {:else}
    <form
      class="grid gap-3"
      onsubmit={(e) => {
        e.preventDefault();
        void make(false);
      }}
    >
      <label class="grid gap-1"
        >What is it called?
        <input
          class="input w-full"
          maxlength="60"
          required
          placeholder="phone of Maja, tablet by the kilns"
          bind:value={name}
          data-testid="device-name"
        /></label
      >
      {#if wrong}<p class="text-error" role="alert">{wrong}</p>{/if}
      <p class="flex flex-wrap gap-2">
        <button class="btn btn-primary" disabled={busy} data-testid="make-qr">Show its QR</button>
        <button type="button" class="btn btn-ghost" disabled={busy || !name} onclick={() => void make(true)}
          >It is this screen</button
        >
      </p>
    </form>
  {/if}
</Dialog>

<style>
  .qr {
    width: min(300px, 70vw);
    background: #fff;
    padding: 8px;
  }
</style>
