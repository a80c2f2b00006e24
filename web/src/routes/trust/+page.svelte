<script lang="ts">
  import { TrustSteps } from '$lib/people';
</script>

<svelte:head><title>Trust this studio · Zealous Ember</title></svelte:head>

<div class="page max-w-2xl">
  <h1 class="text-2xl">Trust this studio</h1>
  <TrustSteps />
</div>
