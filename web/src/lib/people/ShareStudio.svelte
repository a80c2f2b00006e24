<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { api, fieldErrors, sayProblem, type Problem } from '$lib/api/client';
  import NewPassword from './NewPassword.svelte';
  import { look } from './session';

  /** A studio without accounts: whoever sits at this machine may do everything. The first account ends that. */
  const client = useQueryClient();
  let name = $state('');
  let password = $state('');
  let busy = $state(false);
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));

  async function begin(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    const { data, error } = await api
      .POST('/api/people', { body: { name, role: 'owner', password } })
      .catch((thrown: unknown) => ({ data: undefined, error: thrown }));
    busy = false;
    if (!data) return void (problem = (error as Problem | null) ?? { detail: sayProblem(error) });
    await look();
    void client.invalidateQueries();
  }
</script>

<section class="card-paper grid max-w-xl gap-3 px-4 py-3" aria-labelledby="share">
  <h2 id="share" class="text-[17px]">Share this studio</h2>
  <p class="text-soft text-[14px]">
    There are no accounts yet: whoever sits at this machine may do everything, and nobody else reaches it.
    With the first account it becomes a shared studio. Everybody then signs in, here too, and what each may do
    goes by their role.
  </p>
  <form class="grid gap-3" onsubmit={(e) => void begin(e)}>
    <label class="grid gap-1"
      >Your name
      <input
        class="input w-full"
        maxlength="60"
        autocomplete="username"
        required
        bind:value={name}
        data-testid="first-name"
      />
      {#if errors['name']}<span class="text-error text-[13.5px]" role="alert">{errors['name']}</span
        >{/if}</label
    >
    <NewPassword bind:value={password} error={errors['password']} />
    {#if problem && !Object.keys(errors).length}<p class="text-error" role="alert">
        {sayProblem(problem)}
      </p>{/if}
    <button class="btn btn-primary justify-self-start" disabled={busy} data-testid="first-account"
      >Make the first account, an owner’s</button
    >
  </form>
  <p class="text-soft text-[13.5px]">
    Keep the password somewhere safe. Whoever owns this machine can always set a new one at its terminal.
  </p>
</section>
