<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { sayProblem } from '$lib/api/client';
  import { BankList } from '$lib/controllers';
  import { bankOf } from '$lib/controllers/queries';
  import { when } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';

  const id = $derived(Number(page.params.id));
  const kilns = createQuery(kilnList);
  const bank = createQuery(() => bankOf(id));
  const kiln = $derived(kilns.data?.find((k) => k.id === id)?.kiln);
</script>

<svelte:head><title>Programs of {kiln?.name ?? 'the kiln'} · Zealous Ember</title></svelte:head>

<div class="page">
  <header class="flex flex-wrap items-end gap-3">
    <div class="flex-1">
      <a class="link link-hover text-soft no-print text-[13px]" href="/stores/kilns/{id}"
        >{kiln?.name ?? 'Kiln'}</a
      >
      <h1 class="text-2xl">Programs of {kiln?.name ?? 'this kiln'}</h1>
      <p class="text-soft text-[13.5px]">
        {bank.data?.controller ?? ''}{bank.data?.controller ? ', ' : ''}as of {when(new Date())}. A program is
        started without entering it only while its code is the one that was read back.
      </p>
    </div>
    <button class="btn btn-sm btn-paper no-print" onclick={() => window.print()}>Print for the wall</button>
  </header>
  {#if bank.isError}
    <p role="alert">{sayProblem(bank.error)}</p>
  {:else if bank.data && bank.data.slots.length === 0}
    <p class="text-soft max-w-lg">
      {bank.data.controller
        ? 'Its switches keep no programs.'
        : 'This kiln names no controller yet. Choose one on its page, and what is in its programs is kept here.'}
    </p>
  {:else if bank.data}
    <BankList bank={bank.data} kilnId={id} />
  {/if}
</div>
