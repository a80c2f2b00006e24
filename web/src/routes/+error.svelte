<script lang="ts">
  import { page } from '$app/state';
</script>

<div class="m-auto max-w-md p-8 text-center">
  <h1 class="mb-2 text-2xl">{page.status === 404 ? 'There is no such page' : 'Something went wrong'}</h1>
  <p class="text-soft mb-4">
    {page.status === 404
      ? 'The address may be old, or mistyped.'
      : 'What you wrote is still here. Try again.'}
  </p>
  <a class="btn btn-primary" href="/">To the kiln room</a>
</div>
