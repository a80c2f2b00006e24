<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, sayProblem } from '$lib/api/client';
  import { when } from '$lib/format';
  import { networkState } from './queries';

  /** Who reaches the program: its own machine alone, or phones, screens and loggers of the studio's network. */
  const client = useQueryClient();
  const network = createQuery(networkState);
  let address = $state('');
  let wrong: string | null = $state(null);
  let busy = $state(false);
  const now = $derived(network.data);
  const chosen = $derived(address || now?.addresses[0] || '0.0.0.0');
  /** What was chosen is not yet so. */
  const waits = $derived(now && !now.isFixed && (now.next ?? '127.0.0.1') !== now.address);

  async function choose(to: string | null) {
    busy = true;
    const { data, error } = await api.PUT('/api/network', { body: { address: to } });
    busy = false;
    wrong = data ? null : sayProblem(error);
    if (data) client.setQueryData(networkState().queryKey, data);
  }
</script>

<section class="card-paper grid content-start gap-2 px-4 py-3" aria-labelledby="network">
  <h2 id="network" class="text-[17px]">The studio’s network</h2>
  {#if network.isError}<p role="alert">{sayProblem(network.error)}</p>{/if}
  {#if now}
    {#if now.isOpen}
      <p class="text-[14px]">
        Phones, screens and loggers of the network reach it at
        <b class="break-all" data-testid="for-phones">{now.forPhones}</b>.
      </p>
      {#if now.certificate?.isOwn}
        <p class="text-[14px]">
          Each phone is told once to trust this studio: open
          <a class="link break-all" href="/trust">{now.forPhones}/trust</a> on it. The certificate renews
          itself; this one ends {when(new Date(now.certificate.until))}.
        </p>
        <p class="text-soft text-[13.5px]">
          What phones trust has the fingerprint <code class="break-all">{now.certificate.fingerprint}</code>.
        </p>
      {:else if now.certificate}
        <p class="text-soft text-[14px]">
          Its certificate was given, and ends {when(new Date(now.certificate.until))}.
        </p>
      {:else}
        <p class="text-soft text-[14px]">TLS is spoken by the proxy at {now.proxies.join(', ')}.</p>
      {/if}
    {:else}
      <p class="text-soft text-[14px]">
        Only this machine reaches it now. Opened, phones, a screen on the wall and loggers of the studio’s
        network do, over TLS and each held to what it may do.
      </p>
    {/if}
    {#if waits}
      <p class="border-warning border-l-4 pl-3 text-[14px]" data-testid="network-waits">
        {now.next
          ? `From the next start on it is at ${now.next}.`
          : 'From the next start on only this machine reaches it.'}
        Stop it and start it again; a firing under way is followed on.
      </p>
    {/if}
    {#if now.isFixed}
      <p class="text-soft text-[13.5px]">EMBER_ADDRESS says where it listens; it is changed there.</p>
    {:else if now.isOpen || now.next}
      <p>
        <button class="btn btn-sm btn-ghost" disabled={busy} onclick={() => void choose(null)}
          >Close it again</button
        >
      </p>
    {:else}
      <form
        class="flex flex-wrap items-end gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void choose(chosen);
        }}
      >
        <label class="grid gap-1 text-[14px]"
          >At which address?
          <select class="select select-sm" value={chosen} onchange={(e) => (address = e.currentTarget.value)}>
            {#each now.addresses as one (one)}<option>{one}</option>{/each}
            <option value="0.0.0.0">every one of this machine</option>
          </select></label
        >
        <button class="btn btn-sm btn-paper" disabled={busy} data-testid="open-network"
          >Open it to the network</button
        >
      </form>
    {/if}
    {#if wrong}<p class="text-error text-[14px]" role="alert">{wrong}</p>{/if}
  {/if}
</section>
