<script lang="ts">
  /** A password to be, shown on wish: what nobody looks over is better typed once and seen. */
  interface Props {
    value: string;
    label?: string;
    error?: string | undefined;
    required?: boolean;
  }
  let { value = $bindable(), label = 'Password, 12 signs or more', error, required = true }: Props = $props();
  let shown = $state(false);
</script>

<label class="grid gap-1"
  >{label}
  <span class="flex gap-2">
    <input
      class="input w-full"
      type={shown ? 'text' : 'password'}
      maxlength="128"
      autocomplete="new-password"
      {required}
      aria-invalid={error ? 'true' : undefined}
      bind:value
      data-testid="new-password"
    />
    <button type="button" class="btn btn-ghost" aria-pressed={shown} onclick={() => (shown = !shown)}
      >{shown ? 'Hide' : 'Show'}</button
    >
  </span>
  {#if error}<span class="text-error text-[13.5px]" role="alert">{error}</span>{:else}<span
      class="text-soft text-[13px]"
      >A few words that have nothing to do with each other are easily kept in mind.</span
    >{/if}
</label>
