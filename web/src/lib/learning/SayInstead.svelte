<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { fieldErrors, sayProblem, type Problem } from '$lib/api/client';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { saveCare, type Care } from './queries';

  /** What somebody says over what was learned: empty goes by the lessons again. */
  interface Props {
    kilnId: number;
    care: Care;
    onclose: () => void;
  }
  const { kilnId, care, onclose }: Props = $props();

  const client = useQueryClient();
  const said = untrack(() => care);
  let offset = $state((said.offset ?? null) === null ? '' : String(said.offset));
  let power = $state(typeof said.power === 'number' ? String(Math.round(said.power * 100)) : '');
  let note = $state(said.note ?? '');
  let errors: Record<string, string> = $state({});
  const asNumber = (text: string) =>
    text.trim() === '' ? null : Number(text.replace(',', '.').replace('−', '-'));

  async function save() {
    const error = await saveCare(kilnId, {
      ...care,
      offset: asNumber(offset),
      power: power.trim() ? (asNumber(power) ?? 0) / 100 : null,
      note
    });
    errors = fieldErrors(error as Problem | undefined);
    if (error) return Object.keys(errors).length === 0 && toasts.show(sayProblem(error), { tone: 'error' });
    onclose();
    await client.invalidateQueries({ queryKey: ['learned', kilnId] });
  }
</script>

<div class="grid max-w-xl gap-2">
  <label class="text-[13.5px]"
    >Add to the display, °C (empty: as learned)
    <input
      class="input input-sm w-24"
      inputmode="decimal"
      bind:value={offset}
      aria-invalid={'offset' in errors}
    /></label
  >
  <label class="text-[13.5px]"
    >Power, % of its stored power (empty: as learned)
    <input
      class="input input-sm w-24"
      inputmode="decimal"
      bind:value={power}
      aria-invalid={'power' in errors}
    /></label
  >
  <label class="grid text-[13.5px]"
    >Why
    <input class="input input-sm" bind:value={note} maxlength="500" aria-invalid={'note' in errors} /></label
  >
  {#each Object.values(errors) as text (text)}<p class="text-error text-[13px]" role="alert">
      {text}
    </p>{/each}
  <div class="flex gap-2">
    <button type="button" class="btn btn-primary btn-sm" onclick={() => void save()}>Use this instead</button>
    <button type="button" class="btn btn-ghost btn-sm" onclick={onclose}>Leave it</button>
  </div>
</div>
