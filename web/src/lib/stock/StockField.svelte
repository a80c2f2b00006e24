<script lang="ts" module>
  /** A field of a form: what it is called, and how it is written. */
  export interface Field<T> {
    name: keyof T & string;
    label: string;
    kind: 'text' | 'number' | 'check' | 'area' | 'choice';
    choices?: readonly { value: string; name: string }[];
    hint?: string;
    /** Over the whole width of the form. */
    wide?: boolean;
  }
</script>

<script lang="ts" generics="T">
  interface Props {
    field: Field<T>;
    body: T;
    error: string | undefined;
    onchange: (change: Partial<T>) => void;
  }
  const { field, body, error, onchange }: Props = $props();
  const value = $derived(body[field.name]);
  const id = $derived(`stock-${field.name}`);
  let unread = $state('');
  const said = $derived(unread || error);

  const set = (to: unknown) => onchange({ [field.name]: to } as Partial<T>);

  function number(text: string) {
    const read = Number(text.replace(',', '.'));
    unread = text.trim() !== '' && Number.isNaN(read) ? 'A number is expected here.' : '';
    if (!unread) set(text.trim() === '' ? null : read);
  }
</script>

<div class={['text-[14px]', (field.kind === 'area' || field.wide) && 'col-span-full']}>
  {#if field.kind === 'check'}
    <label class="flex items-baseline gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-primary checkbox-xs"
        checked={value === true}
        onchange={(e) => set(e.currentTarget.checked)}
      />
      <span
        ><b>{field.label}</b>{#if field.hint}<span class="text-soft block text-[12.5px]">{field.hint}</span
          >{/if}</span
      >
    </label>
  {:else}
    <label for={id} class="font-semibold">{field.label}</label>
    {#if field.kind === 'choice'}
      <select
        {id}
        class="select select-sm w-full"
        value={value ?? ''}
        onchange={(e) => set(e.currentTarget.value || null)}
      >
        {#each field.choices ?? [] as choice (choice.value)}<option value={choice.value}>{choice.name}</option
          >{/each}
      </select>
    {:else if field.kind === 'area'}
      <textarea
        {id}
        class="textarea w-full"
        rows="2"
        value={String(value ?? '')}
        oninput={(e) => set(e.currentTarget.value || null)}></textarea>
    {:else}
      <input
        {id}
        class="input input-sm w-full"
        autocomplete="off"
        inputmode={field.kind === 'number' ? 'decimal' : 'text'}
        value={value ?? ''}
        aria-invalid={said ? 'true' : undefined}
        oninput={(e) =>
          field.kind === 'number' ? number(e.currentTarget.value) : set(e.currentTarget.value || null)}
      />
    {/if}
    {#if field.hint && !said}<p class="text-soft text-[12.5px]">{field.hint}</p>{/if}
  {/if}
  {#if said}<p class="text-error text-[12.5px]" role="alert">{said}</p>{/if}
</div>
