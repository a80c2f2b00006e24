<script lang="ts">
  import { me } from '$lib/api/me.svelte';

  /** Copies of everything, to be kept elsewhere. In a shared studio they want the password again, which a plain download cannot ask for. */
  async function ask(e: MouseEvent & { currentTarget: HTMLAnchorElement }) {
    const link = e.currentTarget;
    if (!me.isShared || (me.now?.steppedUpUntil && Date.parse(me.now.steppedUpUntil) > Date.now() + 5_000))
      return;
    e.preventDefault();
    if (await me.ask('password')) link.click();
  }
</script>

<section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="your-data">
  <h2 id="your-data" class="text-[17px]">Your data</h2>
  <p class="text-soft text-[13.5px]">
    Everything is in one file on this computer. Keep a copy somewhere else; all of these can be made while the
    program runs. A new, empty studio takes the whole one over on its first page.
  </p>
  <p class="flex flex-wrap gap-2">
    <a
      class="btn btn-sm btn-paper"
      href="/api/backup"
      download
      onclick={(e) => void ask(e)}
      data-testid="whole-studio">Download the whole studio</a
    >
    <a
      class="btn btn-sm btn-paper"
      href="/api/studio/backup"
      download
      onclick={(e) => void ask(e)}
      data-testid="backup">Download a backup</a
    >
    <a
      class="btn btn-sm btn-paper"
      href="/api/studio/export"
      download
      onclick={(e) => void ask(e)}
      data-testid="export">Export everything as JSON and photos</a
    >
  </p>
</section>
