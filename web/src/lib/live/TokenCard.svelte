<script lang="ts">
  import { api, sayProblem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';

  /** The token a kiln's logger pushes readings with: made here, told once, taken away here. */
  const { kilnId }: { kilnId: number } = $props();
  let token: string | null = $state(null);
  let busy = $state(false);

  async function make() {
    busy = true;
    const { data, error } = await api
      .POST('/api/kilns/{id}/token', { params: { path: { id: kilnId } } })
      .catch((e: unknown) => ({ data: undefined, error: e }));
    busy = false;
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    token = data.token;
  }

  async function revoke() {
    const { response } = await api.DELETE('/api/kilns/{id}/token', { params: { path: { id: kilnId } } });
    token = null;
    toasts.show(response.ok ? 'The token is no longer taken.' : 'This kiln has no token.');
  }
</script>

<section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="logger">
  <h2 id="logger" class="text-[17px]">Readings from a logger</h2>
  <p class="text-soft text-[13.5px]">
    A logger on this machine’s network sends its readings with a token of this kiln. A new token takes the
    place of the one before.
  </p>
  {#if token}
    <p>Copy it now, it is not shown again: <code class="break-all" data-testid="token">{token}</code></p>
  {/if}
  <div class="flex flex-wrap gap-2">
    <button class="btn btn-paper btn-sm" disabled={busy} onclick={() => void make()}>Make a token</button>
    <button class="btn btn-ghost btn-sm" onclick={() => void revoke()}>Revoke the token</button>
    <a class="link self-center text-[13.5px]" href="/api/docs">How it sends them</a>
  </div>
</section>
