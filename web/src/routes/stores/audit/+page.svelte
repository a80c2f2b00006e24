<script lang="ts">
  import { me } from '$lib/api/me.svelte';
  import { AuditList } from '$lib/people';
</script>

<svelte:head><title>Who changed what · Zealous Ember</title></svelte:head>

<div class="page">
  <header>
    <h1 class="text-2xl">Who changed what</h1>
    <a class="link text-[14px]" href="/stores/people">Back to people</a>
  </header>
  {#if me.may('manage')}<AuditList />{:else}<p>Only owners of the studio look at this.</p>{/if}
</div>
