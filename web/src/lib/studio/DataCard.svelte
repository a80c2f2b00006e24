<section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="your-data">
  <h2 id="your-data" class="text-[17px]">Your data</h2>
  <p class="text-soft text-[13.5px]">
    Everything is in one file on this computer. Keep a copy somewhere else; all of these can be made while the
    program runs. A new, empty studio takes the whole one over on its first page.
  </p>
  <p class="flex flex-wrap gap-2">
    <a class="btn btn-sm btn-paper" href="/api/backup" download data-testid="whole-studio"
      >Download the whole studio</a
    >
    <a class="btn btn-sm btn-paper" href="/api/studio/backup" download data-testid="backup"
      >Download a backup</a
    >
    <a class="btn btn-sm btn-paper" href="/api/studio/export" download data-testid="export"
      >Export everything as JSON and photos</a
    >
  </p>
</section>
