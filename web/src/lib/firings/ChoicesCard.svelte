<script lang="ts">
  import { onScale } from '$lib/said-units';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, savedOver, sayProblem, type FiringBody, type Ways } from '$lib/api/client';
  import { kilnList } from '$lib/kilns/queries';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { FiringDraft } from './firing-draft.svelte';
  import { schools, studioWays } from './queries';
  import { perKelvin } from '$lib/units';

  /** What practitioners differ on, each way with its one line of why; any of them can be made the studio's own. */
  const { draft }: { draft: FiringDraft } = $props();

  const client = useQueryClient();
  const ways = createQuery(schools);
  const studio = createQuery(studioWays);
  const choices = [
    { name: 'drying', label: 'Drying', for: ['drying', 'bisque', 'once-fired'] },
    { name: 'bisque', label: 'How hot', for: ['bisque'] },
    { name: 'goal', label: 'Which cone', for: ['glaze', 'once-fired', 'refiring'] },
    { name: 'pace', label: 'Pace of the climb', for: ['bisque', 'glaze', 'once-fired', 'refiring'] },
    { name: 'approach', label: 'To the top', for: ['bisque', 'glaze', 'once-fired', 'refiring'] },
    { name: 'hold', label: 'Hold at the top', for: ['bisque', 'glaze', 'once-fired', 'refiring'] },
    { name: 'cooling', label: 'Cooling', for: ['bisque', 'glaze', 'once-fired'] },
    { name: 'air', label: 'Air of a gas kiln', for: ['glaze'] }
  ] as const;
  const kilns = createQuery(kilnList);
  const isFuel = $derived(kilns.data?.find((k) => k.id === draft.body.kilnId)?.kiln.heat === 'fuel');
  const shown = $derived(
    choices.filter((c) => c.for.some((k) => k === draft.body.kind) && (c.name !== 'air' || isFuel))
  );

  /** How far below the top it drops, kelvins; shown in the firing's own scale. */
  const drops = [40, 45, 50, 55, 60];
  const degrees = (kelvins: number) =>
    `${Math.round(kelvins * perKelvin(draft.body.unit ?? 'C'))} °${draft.body.unit ?? 'C'}`;

  const minutes = (text: string) => {
    const read = Number(text.replace(',', '.'));
    return text.trim() === '' || Number.isNaN(read) ? null : read;
  };

  async function makeOurs(choice: string, way: string) {
    if (!studio.data) return;
    const before = studio.data.ways;
    const save = async (body: Ways, version: number) => {
      const { data, error } = await api.PUT('/api/studio/ways', { headers: savedOver(version), body });
      await Promise.all(
        ['schools', 'studio-ways'].map((key) => client.invalidateQueries({ queryKey: [key] }))
      );
      if (!data) toasts.show(sayProblem(error), { tone: 'error' });
      return data;
    };
    const saved = await save({ [choice]: way }, studio.data.version);
    if (!saved) return;
    toasts.show('New firings here start with this', {
      action: { label: 'Undo', run: () => void save(before, saved.version) }
    });
  }
</script>

<section class="card-paper grid gap-2 px-3.5 py-2.5 text-[13.5px]" aria-labelledby="choices">
  <h2 id="choices" class="text-[15px]">Planning preferences</h2>
  {#each shown as choice (choice.name)}
    {@const offered = (ways.data ?? []).filter((w) => w.choice === choice.name)}
    {@const now = draft.body[choice.name] ?? offered[0]?.way ?? ''}
    {@const chosen = offered.find((w) => w.way === now)}
    <div class="grid gap-0.5">
      <label class="font-semibold" for="choice-{choice.name}">{choice.label}</label>
      <select
        id="choice-{choice.name}"
        class="select select-sm w-full"
        value={now}
        data-testid="choice-{choice.name}"
        onchange={(e) => draft.edit({ [choice.name]: e.currentTarget.value } as Partial<FiringBody>)}
      >
        {#each offered as way (way.way)}<option value={way.way}
            >{way.name}{way.studioDefault ? ' (studio default)' : ''}</option
          >{/each}
      </select>
      <p class="text-soft text-[12.5px]">
        {onScale(chosen?.why ?? '')}
        {#if now === 'drop-and-hold'}<label class="text-base-content mb-0.5 flex items-center gap-2"
            >below the top by
            <select
              class="select select-xs w-24"
              value={draft.body.dropBy ?? 50}
              onchange={(e) => draft.edit({ dropBy: Number(e.currentTarget.value) })}
            >
              {#each drops as drop (drop)}<option value={drop}>{degrees(drop)}</option>{/each}
            </select>
          </label>{/if}
        {#if chosen && !chosen.studioDefault}<button
            class="link"
            onclick={() => void makeOurs(choice.name, chosen.way)}>Set as studio default</button
          >{/if}
      </p>
    </div>
  {/each}
  <div class="flex gap-4">
    {#if draft.body.kind !== 'drying'}
      <label class="flex items-center gap-2"
        >Hold, min
        <input
          class="input input-sm w-16 text-right"
          inputmode="decimal"
          placeholder="–"
          aria-invalid={draft.planErrors['holdMinutes'] ? 'true' : undefined}
          value={draft.body.holdMinutes ?? ''}
          onchange={(e) => draft.edit({ holdMinutes: minutes(e.currentTarget.value) })}
        />
      </label>
    {/if}
  </div>
</section>
