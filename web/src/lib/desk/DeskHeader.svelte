<script lang="ts">
  import Ellipsis from '@lucide/svelte/icons/ellipsis';
  import Redo from '@lucide/svelte/icons/redo-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import { goto } from '$app/navigation';
  import { api } from '$lib/api/client';
  import { chartAsSvg, download, fileName } from '$lib/chart/save-svg';
  import { kindNames, type Kind } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import { removeSchedule } from '$lib/library/remove';
  import type { Desk } from './desk.svelte';
  import SaveLine from './SaveLine.svelte';

  interface Props {
    desk: Desk;
    ontext: () => void;
    onversions: () => void;
    onhelp: () => void;
  }
  const { desk, ontext, onversions, onhelp }: Props = $props();
  let menu: HTMLElement;

  const said = $derived(desk.errors['name'] ?? desk.errors['kind']);

  /** What is printed is what the desk shows: its start, its kiln. */
  const printed = $derived.by(() => {
    const query = [
      desk.start && `start=${encodeURIComponent(desk.start)}`,
      desk.start && desk.anchor !== 'start' && `anchor=${desk.anchor}`,
      desk.kilnId !== null && `kiln=${desk.kilnId}&fill=${desk.fill}`
    ].filter(Boolean);
    return query.length > 0 ? `?${query.join('&')}` : '';
  });
  const findings = $derived(desk.openFindings);

  async function switchUnit() {
    const refused = await desk.switchUnit();
    if (refused) toasts.show(refused, { tone: 'error' });
    else localStorage.setItem('ember.unit', desk.draft.unit);
  }

  function saveChart() {
    const svg = document.querySelector<SVGSVGElement>('svg[data-chart]');
    if (svg) download(`${fileName(desk.draft.name)}.svg`, 'image/svg+xml', chartAsSvg(svg));
  }

  async function copy() {
    await desk.store();
    if (desk.id === null) return;
    const { data } = await api.POST('/api/schedules/{id}/copy', { params: { path: { id: desk.id } } });
    if (!data) return toasts.show('No copy could be made', { tone: 'error' });
    toasts.show('This is the copy; the original stays as it was');
    void goto(`/schedules/${data.id}`);
  }

  async function remove() {
    if (desk.id !== null && (await removeSchedule(desk.id, desk.draft.name))) void goto('/schedules');
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
      value={desk.draft.name}
      oninput={(e) => desk.edit({ name: e.currentTarget.value }, 'name')}
      onblur={() => desk.history.endGroup()}
      onkeydown={(e) => {
        if (e.key === 'Enter') document.querySelector<HTMLElement>('[data-testid=step] input')?.focus();
      }}
    />
    <div class="text-soft flex flex-wrap items-center gap-x-2 text-[13.5px]">
      <select
        class="select select-ghost select-xs text-soft -ml-2 w-auto pr-6! pl-2! text-[13.5px]"
        aria-label="Kind of firing"
        value={desk.draft.kind}
        onchange={(e) => desk.edit({ kind: e.currentTarget.value as Kind })}
      >
        {#each Object.entries(kindNames) as [kind, name] (kind)}<option value={kind}>{name}</option>{/each}
      </select>
      <span aria-hidden="true">·</span>
      <SaveLine {desk} />
      {#if desk.firing}
        <a class="link link-hover text-primary" href="/firings/{desk.firing.id}?stage=plan"
          >· for {desk.firing.body.name}</a
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
      {#if desk.preview?.kilnNote}
        <span title={desk.preview.kilnNote} data-testid="kiln-note"
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
      disabled={!desk.history.canUndo}
      onclick={() => desk.undo()}><Undo size={17} /></button
    >
    <button
      class="btn btn-ghost btn-sm btn-square"
      aria-label="Redo"
      title="Redo (Ctrl Shift Z)"
      disabled={!desk.history.canRedo}
      onclick={() => desk.redo()}><Redo size={17} /></button
    >
    <button
      class="btn btn-sm btn-paper mx-1 w-20"
      data-testid="unit"
      aria-label="°C °F: written in °{desk.draft.unit}; switch"
      onclick={() => void switchUnit()}
    >
      <span class={desk.draft.unit === 'C' ? 'text-primary font-bold' : 'text-soft font-normal'}>°C</span>
      <span class={desk.draft.unit === 'F' ? 'text-primary font-bold' : 'text-soft font-normal'}>°F</span>
    </button>
    {#if desk.id === null}
      <button class="btn btn-sm btn-paper" disabled>Print</button>
    {:else}
      <a class="btn btn-sm btn-paper" href="/schedules/{desk.id}/print{printed}">Print</a>
    {/if}
    <button
      class="btn btn-sm btn-paper btn-square"
      popovertarget="desk-menu"
      style:anchor-name="--desk-menu"
      aria-label="More for this schedule"
      data-testid="desk-menu"><Ellipsis size={17} /></button
    >
    <ul
      id="desk-menu"
      bind:this={menu}
      popover="auto"
      class="dropdown dropdown-end menu bg-base-100 border-base-300 rounded-box w-56 border p-1 shadow-lg"
      style:position-anchor="--desk-menu"
    >
      <li><button onclick={() => then(ontext)}>As text</button></li>
      <li><button disabled={desk.id === null} onclick={() => then(onversions)}>Earlier versions</button></li>
      <li><button disabled={desk.id === null} onclick={() => then(copy)}>Make a copy</button></li>
      {#if desk.id !== null}
        <li><a href="/schedules/compare?a={desk.id}">Compare with another</a></li>
        <li class="menu-title pt-2">Save as a file</li>
        <li><a href="/api/schedules/export?ids={desk.id}&format=json" download>JSON</a></li>
        <li><a href="/api/schedules/export?ids={desk.id}&format=csv" download>CSV, for a spreadsheet</a></li>
      {/if}
      <li><button onclick={() => then(saveChart)}>Chart as SVG</button></li>
      <li class="border-base-300 mt-1 border-t pt-1">
        <button onclick={() => then(onhelp)}>Keys and words</button>
      </li>
      <li>
        <button disabled={desk.id === null} class="text-error" onclick={() => then(remove)}>Delete</button>
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
