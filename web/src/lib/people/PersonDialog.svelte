<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { api, fieldErrors, savedOver, sayProblem, type Problem } from '$lib/api/client';
  import Dialog from '$lib/ui/Dialog.svelte';
  import { toasts } from '$lib/ui/toasts.svelte';
  import NewPassword from './NewPassword.svelte';
  import type { Member } from './queries';
  import { roleMeans, roleNames } from './words';

  /** Somebody new, or what an owner changes of somebody. */
  interface Props {
    person: Member | null;
    kilns: readonly { id: number; name: string }[];
    onclose: () => void;
  }
  const { person, kilns, onclose }: Props = $props();
  type Role = keyof typeof roleMeans;
  const roles = Object.keys(roleMeans) as Role[];

  const client = useQueryClient();
  const was = untrack(() => person);
  let name = $state(was?.name ?? '');
  let role: Role = $state(was && was.role !== 'display' ? was.role : 'maker');
  let password = $state('');
  let chosen: number[] = $state([...(was?.certificates ?? [])]);
  let erasing = $state(false);
  let busy = $state(false);
  let problem: Problem | null = $state.raw(null);
  const errors = $derived(fieldErrors(problem ?? undefined));

  interface Answer {
    response: Response;
    error?: unknown;
  }
  /** True where it was done; else says what is wrong. */
  async function done(answer: Promise<Answer>): Promise<boolean> {
    const { response, error } = await answer;
    if (!response.ok) problem = (error as Problem | undefined) ?? { detail: sayProblem(error) };
    return response.ok;
  }

  async function save(e: SubmitEvent) {
    e.preventDefault();
    [busy, problem] = [true, null];
    try {
      let id = was?.id;
      if (!was) {
        const made = api.POST('/api/people', { body: { name, role, password: password || null } });
        if (!(await done(made))) return;
        id = (await made).data?.id;
      } else {
        const params = { path: { id: was.id } };
        if (name !== was.name || role !== was.role) {
          const headers = savedOver(was.version ?? 1);
          if (
            !(await done(
              api.PUT('/api/people/{id}', { params, headers, body: { name, role, password: null } })
            ))
          )
            return;
        }
        if (
          password &&
          !(await done(api.PUT('/api/people/{id}/password', { params, body: { current: null, password } })))
        )
          return;
      }
      const changed =
        chosen.length !== (was?.certificates?.length ?? 0) ||
        chosen.some((k) => !was?.certificates?.includes(k));
      if (changed && id)
        if (
          !(await done(
            api.PUT('/api/people/{id}/certificates', { params: { path: { id } }, body: { kilnIds: chosen } })
          ))
        )
          return;
      onclose();
    } finally {
      busy = false;
      void client.invalidateQueries({ queryKey: ['people'] });
    }
  }

  async function erase() {
    if (!was) return;
    busy = true;
    if (await done(api.POST('/api/people/{id}/erase', { params: { path: { id: was.id } } }))) {
      toasts.show(`${was.name} was taken out. Firings and counts stay, as those of a former member.`);
      void client.invalidateQueries();
      onclose();
    }
    busy = false;
  }
</script>

<Dialog title={was ? was.name : 'Somebody new'} {onclose}>
  <form class="grid gap-3" onsubmit={(e) => void save(e)}>
    <label class="grid gap-1"
      >Name
      <input class="input w-full" maxlength="60" required bind:value={name} data-testid="person-name" />
      {#if errors['name']}<span class="text-error text-[13.5px]" role="alert">{errors['name']}</span
        >{/if}</label
    >
    <fieldset class="grid gap-1">
      <legend>Role</legend>
      {#each roles as one (one)}
        <label class="flex min-h-9 items-center gap-2"
          ><input type="radio" class="radio radio-primary radio-sm" value={one} bind:group={role} /><span
            ><b>{roleNames[one]}</b> <span class="text-soft text-[14px]">{roleMeans[one]}</span></span
          ></label
        >
      {/each}
    </fieldset>
    {#if role === 'firer'}
      <fieldset>
        <legend>Certified for</legend>
        <div class="flex flex-wrap gap-x-4">
          {#each kilns as kiln (kiln.id)}
            <label class="flex min-h-9 items-center gap-2"
              ><input
                type="checkbox"
                class="checkbox checkbox-primary checkbox-sm"
                value={kiln.id}
                bind:group={chosen}
              />{kiln.name}</label
            >
          {/each}
        </div>
      </fieldset>
    {/if}
    <NewPassword
      bind:value={password}
      required={false}
      label={was ? 'A new password, where theirs is forgotten' : 'A first password, to be told in person'}
      error={errors['password']}
    />
    {#if problem && !Object.keys(errors).length}<p class="text-error" role="alert">
        {sayProblem(problem)}
      </p>{/if}
    <p class="flex flex-wrap gap-2">
      <button class="btn btn-primary" disabled={busy} data-testid="save-person">Save</button>
      {#if was && !erasing}<button
          type="button"
          class="btn btn-ghost text-error"
          onclick={() => (erasing = true)}>Take out for good …</button
        >{/if}
    </p>
    {#if was && erasing}
      <div class="border-error grid gap-2 border-l-4 pl-3">
        <p class="text-[14px]">
          Her account ends, and her name is taken out of everything: firings, notes, lots and the audit then
          say “former member”. Firings and counts stay. This cannot be undone. Copies made before still have
          her name.
        </p>
        <p>
          <button type="button" class="btn btn-error btn-sm" disabled={busy} onclick={() => void erase()}
            >Take {was.name} out</button
          >
        </p>
      </div>
    {/if}
  </form>
</Dialog>
