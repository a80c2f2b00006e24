<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';

  /** Told once on each phone: what this studio's pages are signed with is the studio's own. */
  const trust = createQuery(() => ({
    queryKey: ['trust'],
    retry: false,
    queryFn: async () => {
      const { data, error } = await api.GET('/api/network/trust');
      if (!data) throw error;
      return data;
    }
  }));
</script>

{#if trust.isError}
  <p role="alert">{sayProblem(trust.error)}</p>
{:else if trust.data}
  <p>
    A browser warns of this studio until it knows what its pages are signed with. That is made on the studio’s
    own machine and signs for addresses of a home network alone: the phone is no less safe anywhere else.
  </p>
  <ol class="grid list-decimal gap-2 pl-5">
    <li>
      <a class="btn btn-primary" href="/api/network/authority" download>Load the studio’s certificate</a>
      <p class="text-soft mt-1 text-[13.5px]">
        Its fingerprint is the one on the owner’s screen and on no other:
        <code class="break-all" data-testid="fingerprint">{trust.data.fingerprint}</code>
      </p>
    </li>
    <li>
      <b>A phone whose settings speak of profiles:</b> open Settings; a profile was loaded: install it. Then under
      General, About, Certificate trust, switch it on for Zealous Ember.
    </li>
    <li>
      <b>Any other phone:</b> open Settings, Security, Encryption and credentials, Install a certificate, CA certificate,
      and choose the file that was loaded.
    </li>
    <li>Open the kiln room again: <a class="link" href="/">it is shown without a warning.</a></li>
  </ol>
  <p class="text-soft text-[13.5px]">Another phone reads this:</p>
  <img
    class="qr"
    alt="QR that leads to this page"
    src="data:image/svg+xml,{encodeURIComponent(trust.data.qrSvg)}"
  />
{/if}

<style>
  .qr {
    width: 180px;
    background: #fff;
    padding: 6px;
  }
</style>
