<script lang="ts">
  import Dialog from '$lib/ui/Dialog.svelte';

  const { onclose }: { onclose: () => void } = $props();

  const keys = [
    ['Tab', 'to the next number'],
    ['Enter', 'a new step below'],
    ['↑ ↓', 'five more or less; with Shift one'],
    ['Alt ↑ / Alt ↓', 'move the step'],
    ['Alt ⌫', 'remove the step'],
    ['Ctrl Z / Ctrl Shift Z', 'undo, redo'],
    ['W', 'write it out, from anywhere but a field'],
    ['? ', 'this page']
  ];
  const words = [
    ['Full', 'in the pace: as fast as the kiln can'],
    ['Off', 'in the pace: power off, the kiln cools by itself']
  ];
</script>

<Dialog title="Keys and shorthand" wide {onclose}>
  <div class="grid gap-6 sm:grid-cols-2">
    <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1.5 text-sm">
      {#each keys as [key, what] (key)}<dt class="font-semibold whitespace-nowrap">{key}</dt>
        <dd class="text-soft">{what}</dd>{/each}
    </dl>
    <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1.5 text-sm">
      {#each words as [word, what] (word)}<dt class="font-semibold">{word}</dt>
        <dd class="text-soft">{what}</dd>{/each}
      <dt></dt>
      <dd><a class="link" href="/bench/glossary">All the terms, with a picture</a></dd>
    </dl>
  </div>
  <h3 class="mt-5 mb-1">Writing a firing out</h3>
  <p class="text-soft text-sm">
    Steps with a semicolon, a comma or a new line between them, as you would say them:
    <code class="text-base-content"
      >80/h to 200 hold 45m; full to 1040; 1:30 to 1130; 60/h to 1210 hold 12m; cool 55/h to 850; off</code
    >. Rates may be per minute (<code class="text-base-content">2/min to 600</code>), numbers may carry °F, a
    reason goes in quotes. A table copied from a spreadsheet works too.
  </p>
</Dialog>
