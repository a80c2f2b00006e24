<script lang="ts">
  import Ellipsis from '@lucide/svelte/icons/ellipsis';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { goto } from '$app/navigation';
  import { api } from '$lib/api/client';
  import SaveLine from '$lib/draft/SaveLine.svelte';
  import { chartAsSvg, download, fileName } from '$lib/chart/save-svg';
  import { kindNames, type Kind } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { removeSchedule } from '$lib/library';
  import type { FiringPlace } from './firing-place.svelte';
  import type { PreviewLoop } from './preview-loop.svelte';
  import type { ScheduleDraft } from './schedule-draft.svelte';
  import type { StartTime } from './start-time.svelte';
  import { switchUnit as toOtherUnit } from './write-shorthand';

  interface Props {
    draft: ScheduleDraft;
    place: FiringPlace;
    loop: PreviewLoop;
    start: StartTime;
    ontext: () => void;
    onversions: () => void;
    onhelp: () => void;
  }
  const { draft, place, loop, start, ontext, onversions, onhelp }: Props = $props();
  let menu: HTMLElement;

  const said = $derived(loop.errors['name'] ?? loop.errors['kind']);

  /** What is printed is what the editor shows: its start, its kiln. */
  const printed = $derived.by(() => {
    const query = [
      start.at && `start=${encodeURIComponent(start.at)}`,
      start.at && start.anchor !== 'start' && `anchor=${start.anchor}`,
      place.kilnId !== null && `kiln=${place.kilnId}&fill=${place.fill}`,
      place.firing && place.firing.loadIn(place.kilnId) && `firing=${place.firing.id}`
    ].filter(Boolean);
    return query.length > 0 ? `?${query.join('&')}` : '';
  });
  const findings = $derived(loop.openFindings);

  async function switchUnit() {
    const refused = await toOtherUnit(draft);
    if (refused) toasts.show(refused, { tone: 'error' });
  }

  function saveChart() {
    const svg = document.querySelector<SVGSVGElement>('svg[data-chart]');
    if (svg) download(`${fileName(draft.body.name)}.svg`, 'image/svg+xml', chartAsSvg(svg));
  }

  async function copy() {
    await draft.save();
    if (draft.id === null) return;
    const { data } = await api.POST('/api/schedules/{id}/copy', { params: { path: { id: draft.id } } });
    if (!data) return toasts.show('No copy could be made', { tone: 'error' });
    toasts.show('This is the copy; the original stays as it was');
    void goto(`/schedules/${data.id}`);
  }

  async function remove() {
    if (draft.id !== null && (await removeSchedule(draft.id, draft.version, draft.body.name)))
      void goto('/schedules');
  }

  function then(run: () => unknown) {
    menu.hidePopover();
    void run();
  }
</script>

<header class="flex flex-wrap items-end gap-x-4 gap-y-1">
  <div class="min-w-0 flex-1 basis-80">
    <input
      id="schedule-name"
      class="name w-full font-serif text-2xl font-semibold"
      aria-label="Name of the schedule"
      aria-invalid={said ? 'true' : undefined}
      placeholder="Name this schedule"
      autocomplete="off"
      value={draft.body.name}
      oninput={(e) => draft.edit({ name: e.currentTarget.value }, 'name')}
      onblur={() => draft.history.endGroup()}
      onkeydown={(e) => {
        if (e.key === 'Enter') document.querySelector<HTMLElement>('[data-testid=step] input')?.focus();
      }}
    />
    <div class="text-soft flex flex-wrap items-center gap-x-2 text-[13.5px]">
      <select
        class="select select-ghost select-xs text-soft -ml-2 w-auto pr-6! pl-2! text-[13.5px]"
        aria-label="Kind of firing"
        value={draft.body.kind}
        onchange={(e) => draft.edit({ kind: e.currentTarget.value as Kind })}
      >
        {#each Object.entries(kindNames) as [kind, name] (kind)}<option value={kind}>{name}</option>{/each}
      </select>
      <span aria-hidden="true">·</span>
      <SaveLine {draft} />
      {#if place.firing}
        <a class="link link-hover text-primary" href="/firings/{place.firing.id}?stage=plan"
          >· for {place.firing.body.name}</a
        >
      {/if}
      {#if findings}
        <a
          class="link link-hover text-warning"
          href="#worth-a-look"
          onclick={(e) => {
            e.preventDefault();
            document.getElementById('worth-a-look')?.scrollIntoView({ block: 'nearest' });
          }}>· {findings} worth a look</a
        >
      {/if}
      {#if loop.preview?.kilnNote}
        <span title={loop.preview.kilnNote} data-testid="kiln-note"
          >· full power and off timed for a plain kiln</span
        >
      {/if}
    </div>
    {#if said}<p class="text-error text-[13px]" role="alert">{said}</p>{/if}
  </div>

  <div class="flex items-center gap-1">
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="Undo"
      title="Undo (Ctrl Z)"
      disabled={!draft.history.canUndo}
      onclick={() => draft.undo()}><Undo size={17} /></button
    >
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="Redo"
      title="Redo (Ctrl Shift Z)"
      disabled={!draft.history.canRedo}
      onclick={() => draft.redo()}><Redo size={17} /></button
    >
    <button
      class="btn btn-sm btn-paper mx-1 w-20"
      data-testid="unit"
      data-units="own"
      aria-label="°C °F: written in °{draft.body.unit}; switch"
      onclick={() => void switchUnit()}
    >
      <span class={draft.body.unit === 'C' ? 'text-primary font-bold' : 'text-soft font-normal'}>°C</span>
      <span class={draft.body.unit === 'F' ? 'text-primary font-bold' : 'text-soft font-normal'}>°F</span>
    </button>
    {#if draft.id === null}
      <button class="btn btn-sm btn-paper" disabled>Print</button>
    {:else}
      <a class="btn btn-sm btn-paper" href="/schedules/{draft.id}/print{printed}">Print</a>
    {/if}
    <button
      class="btn btn-sm btn-paper btn-square"
      popovertarget="schedule-menu"
      style:anchor-name="--schedule-menu"
      aria-label="More for this schedule"
      data-testid="schedule-menu"><Ellipsis size={17} /></button
    >
    <ul
      id="schedule-menu"
      bind:this={menu}
      popover="auto"
      class="dropdown dropdown-end menu bg-base-100 border-base-300 rounded-box w-56 border p-1 shadow-lg"
      style:position-anchor="--schedule-menu"
    >
      <li><button onclick={() => then(ontext)}>As text</button></li>
      <li><button disabled={draft.id === null} onclick={() => then(onversions)}>Earlier versions</button></li>
      <li><button disabled={draft.id === null} onclick={() => then(copy)}>Make a copy</button></li>
      {#if draft.id !== null}
        <li><a href="/schedules/compare?a={draft.id}">Compare with another</a></li>
        <li class="menu-title pt-2">Save as a file</li>
        <li><a href="/api/schedules/export?ids={draft.id}&format=json" download>JSON</a></li>
        <li><a href="/api/schedules/export?ids={draft.id}&format=csv" download>CSV, for a spreadsheet</a></li>
      {/if}
      <li><button onclick={() => then(saveChart)}>Chart as SVG</button></li>
      <li class="border-base-300 mt-1 border-t pt-1">
        <button onclick={() => then(onhelp)}>Keys and shorthand</button>
      </li>
      <li>
        <button disabled={draft.id === null} class="text-error" onclick={() => then(remove)}>Delete</button>
      </li>
    </ul>
  </div>
</header>

<style>
  .name {
    background: none;
    border: 0;
    border-radius: 6px;
    padding: 0 4px;
    margin-left: -4px;
    text-overflow: ellipsis;
    line-height: 1.25;
  }
  .name::placeholder {
    color: var(--color-soft);
    opacity: 1;
  }
</style>
