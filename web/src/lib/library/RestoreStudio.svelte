<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { sayProblem, type Problem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';

  /** Takes over another studio's archive; only a studio in which nothing was written takes one. */
  const client = useQueryClient();
  let sent: number | null = $state(null);
  let wrong: string | null = $state(null);
  let under: XMLHttpRequest | null = null;

  function take(file: File | undefined) {
    if (!file) return;
    [sent, wrong] = [0, null];
    // A fetch does not say how far an upload has come.
    const request = new XMLHttpRequest();
    under = request;
    request.upload.onprogress = (e) => (sent = e.lengthComputable ? e.loaded / e.total : sent);
    request.onload = async () => {
      sent = null;
      if (request.status === 200) {
        await client.invalidateQueries();
        toasts.show('The studio was taken over');
        return;
      }
      const problem = JSON.parse(request.responseText || '{}') as Problem;
      wrong = problem.errors?.['archive']?.[0] ?? sayProblem(problem);
    };
    request.onerror = () => ([sent, wrong] = [null, sayProblem(undefined)]);
    request.onabort = () => (sent = null);
    request.open('POST', '/api/restore');
    request.setRequestHeader('Content-Type', 'application/zip');
    request.send(file);
  }
</script>

{#if sent === null}
  <label class="btn btn-sm btn-paper w-fit"
    >Choose its archive<input
      type="file"
      accept=".zip,application/zip"
      class="sr-only"
      data-testid="restore"
      onchange={(e) => take(e.currentTarget.files?.[0])}
    /></label
  >
{:else}
  <p class="flex items-center gap-2" aria-live="polite">
    <progress class="progress w-40" value={sent} max="1"></progress>
    {sent < 1 ? `${Math.round(sent * 100)} %` : 'being looked through'}
    <button class="btn btn-xs" onclick={() => under?.abort()}>Cancel</button>
  </p>
{/if}
{#if wrong}<p class="text-error text-[13.5px]" role="alert">{wrong}</p>{/if}
