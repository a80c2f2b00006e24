<script lang="ts">
  import type { KilnBody, KilnNumber } from '$lib/api/client';
  import { createQuery } from '@tanstack/svelte-query';
  import { controllerLine } from '$lib/controllers/words';
  import { controllerList } from '$lib/controllers/queries';
  import { readShown, shown, shownIn } from './shown-number';
  import { onScale } from '$lib/said-units';
  import type { KilnDraft } from './kiln-draft.svelte';

  /** The numbers of a kiln in four groups, each with what it means in plain words. */
  const { draft, numbers }: { draft: KilnDraft; numbers: readonly KilnNumber[] } = $props();

  const controllers = createQuery(controllerList);
  const controller = $derived(controllers.data?.find((c) => c.id === draft.body.controllerId));

  type Field = Exclude<
    keyof KilnBody,
    'name' | 'class' | 'unit' | 'brick' | 'holdClock' | 'notes' | 'controllerId' | 'heat' | 'fuel'
  >;
  type Group = { title: string; fields: readonly Field[] };
  const isFuel = $derived(draft.body.heat === 'fuel');
  const gas: readonly Group[] = [
    {
      title: 'Burners and regulator',
      fields: ['burners', 'burnerPower', 'mostPressure', 'mark', 'turnEvery', 'cylinder', 'cylinders']
    },
    { title: 'Flue and draft', fields: ['flue', 'inlets', 'draft', 'gap'] },
    { title: 'Chamber and walls', fields: ['volume', 'brickThickness', 'fibreThickness'] },
    { title: 'Where and how hot', fields: ['topLimit', 'openLimit', 'room', 'altitude'] },
    { title: 'Known of it', fields: ['burnerFactor', 'airFactor', 'wallFactor', 'uncertainty'] }
  ];
  const electric: readonly Group[] = [
    { title: 'On the plate', fields: ['volume', 'power', 'voltage', 'topLimit'] },
    {
      title: 'As it stands',
      fields: ['elementHealth', 'room', 'openLimit', 'altitude', 'ventFlow', 'sections']
    },
    { title: 'Its walls', fields: ['brickThickness', 'fibreThickness', 'leak'] },
    { title: 'Learned from logs', fields: ['heatFactor', 'lossFactor', 'uncertainty'] }
  ];
  const groups = $derived(isFuel ? gas : electric);
  const about = (field: Field) =>
    numbers.find((n) => n.field === field && n.heat === (isFuel ? 'fuel' : 'electric'));
  const own = $derived(draft.body.unit ?? 'C');
  const label = (n: KilnNumber) => n.label.replace(/^(The|What) /, '').replace(/^./, (c) => c.toUpperCase());

  function write(field: Field, text: string, n: KilnNumber) {
    const reading = readShown(n, text, own);
    draft.misread(field, 'error' in reading ? reading.error : null);
    if (!('value' in reading)) return;
    if (field === 'volume' && isFuel && reading.value) void draft.resize(reading.value);
    else draft.edit({ [field]: reading.value }, field);
  }
</script>

{#each groups as group (group.title)}
  <fieldset class="card-paper px-4 py-3">
    <legend class="font-serif text-[16px] font-semibold">{group.title}</legend>
    <div class="fields">
      {#each group.fields as field (field)}
        {@const n = about(field)}
        {@const said = draft.messages[field]}
        {#if n}
          <div class="field">
            <label for="kiln-{field}" class="font-semibold">{label(n)}</label>
            <span class="flex items-baseline gap-1">
              <input
                id="kiln-{field}"
                class="input input-sm w-24 text-right"
                inputmode="decimal"
                value={shown(n, draft.body[field], own)}
                aria-invalid={said ? 'true' : undefined}
                aria-describedby="kiln-{field}-means"
                onchange={(e) => write(field, e.currentTarget.value, n)}
              />
              <span class="text-soft w-12">{shownIn(n)}</span>
            </span>
            <p
              id="kiln-{field}-means"
              class={['means', said ? 'text-error' : 'text-soft']}
              role={said ? 'alert' : undefined}
            >
              {onScale(said ?? n.meaning)}
            </p>
          </div>
        {/if}
      {/each}
      {#if group.title === 'Burners and regulator'}
        <div class="field">
          <label for="kiln-fuel" class="font-semibold">Gas</label>
          <select
            id="kiln-fuel"
            class="select select-sm w-40"
            value={draft.body.fuel ?? 'propane'}
            onchange={(e) =>
              draft.edit({
                fuel: e.currentTarget.value,
                cylinder: e.currentTarget.value === 'propane' ? draft.body.cylinder || 33 : 0
              })}
          >
            <option value="propane">propane</option>
            <option value="naturalGas">natural gas</option>
          </select>
          <p class="means text-soft">
            Bottled or from a tank, or piped. Jets differ: a gas fitter changes them.
          </p>
        </div>
      {:else if group.title === 'Its walls'}
        <div class="field">
          <label for="kiln-brick" class="font-semibold">Kind of brick</label>
          <select
            id="kiln-brick"
            class="select select-sm w-40"
            value={draft.body.brick ?? 'standard'}
            onchange={(e) => draft.edit({ brick: e.currentTarget.value as 'standard' | 'light' })}
          >
            <option value="standard">usual firebrick</option>
            <option value="light">light firebrick</option>
          </select>
          <p class="means text-soft">
            Light brick insulates better and stores less; small kilns often have it.
          </p>
        </div>
      {:else if group.title === 'As it stands'}
        <div class="field">
          <label for="kiln-controller" class="font-semibold">Controller</label>
          <select
            id="kiln-controller"
            class="select select-sm w-40"
            value={String(draft.body.controllerId ?? '')}
            aria-invalid={draft.messages['controllerId'] ? 'true' : undefined}
            onchange={(e) =>
              draft.edit({ controllerId: e.currentTarget.value ? Number(e.currentTarget.value) : null })}
          >
            <option value="">none named</option>
            {#each controllers.data ?? [] as c (c.id)}<option value={String(c.id)}>{c.profile.name}</option
              >{/each}
          </select>
          <p class={['means', draft.messages['controllerId'] ? 'text-error' : 'text-soft']}>
            {#if draft.messages['controllerId']}{draft.messages['controllerId']}
            {:else if controller}{controllerLine(controller.profile).replace(/^./, (c) => c.toUpperCase())}; {controller
                .profile.clock === 'runs'
                ? 'its clock runs on when a climb is late'
                : 'a hold waits for a late climb'}.
              {#if draft.id !== null}<a class="link" href="/stores/kilns/{draft.id}/programs">Its programs</a
                >{/if}
            {:else}How schedules are entered at this kiln. <a class="link" href="/stores/controllers"
                >All controllers</a
              >{/if}
          </p>
        </div>
        {#if !controller}
          <div class="field">
            <label for="kiln-clock" class="font-semibold">When a climb is late</label>
            <select
              id="kiln-clock"
              class="select select-sm w-40"
              value={draft.body.holdClock ?? 'waits'}
              onchange={(e) => draft.edit({ holdClock: e.currentTarget.value as 'waits' | 'runs' })}
            >
              <option value="waits">the hold waits</option>
              <option value="runs">its clock runs on</option>
            </select>
            <p class="means text-soft">What the controller does when the kiln has not come up in time.</p>
          </div>
        {/if}
      {/if}
    </div>
  </fieldset>
{/each}

<style>
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 10px 22px;
  }
  .field {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    gap: 2px 8px;
    font-size: 14px;
  }
  .means {
    grid-column: 1 / -1;
    font-size: 12.5px;
    line-height: 1.3;
  }
</style>
