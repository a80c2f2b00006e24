<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { kindNames } from '$lib/format';
  import { kilnList } from '$lib/kilns/queries';
  import { faults } from '$lib/reading';
  import { clays, glazes } from '$lib/stock';
  import type { Narrowing } from './queries';

  /** What the logbook shows, as a sentence: every word of it is a choice. */
  interface Props {
    params: URLSearchParams;
    onchange: (name: Narrowing, value: string) => void;
    onclear: () => void;
  }
  const { params, onchange, onclear }: Props = $props();

  const kilns = createQuery(kilnList);
  const allGlazes = createQuery(() => ({ queryKey: ['glazes', ''], queryFn: () => glazes.search('') }));
  const allClays = createQuery(() => ({ queryKey: ['clays', ''], queryFn: () => clays.search('') }));
  const day = 86_400_000;
  const sinces = [
    { name: 'ever', days: 0 },
    { name: 'the last month', days: 31 },
    { name: 'the last half year', days: 183 },
    { name: 'the last year', days: 366 }
  ];
  const since = $derived.by(() => {
    const from = params.get('since');
    return from
      ? (sinces.find((s) => s.days > 0 && Math.abs(Date.now() - Date.parse(from) - s.days * day) < 3 * day)
          ?.days ?? 0)
      : 0;
  });
  const choices = $derived([
    {
      name: 'kiln',
      none: 'any kiln',
      options: (kilns.data ?? []).map((k) => ({ value: String(k.id), name: k.kiln.name ?? 'Kiln' }))
    },
    {
      name: 'kind',
      none: 'any kind',
      options: Object.entries(kindNames).map(([value, name]) => ({ value, name: name.toLowerCase() }))
    },
    {
      name: 'glaze',
      none: 'any glaze',
      options: (allGlazes.data ?? []).map((g) => ({ value: String(g.id), name: g.body.name ?? '' }))
    },
    {
      name: 'clay',
      none: 'any clay',
      options: (allClays.data ?? []).map((c) => ({ value: String(c.id), name: c.body.name ?? '' }))
    },
    {
      name: 'fault',
      none: 'any fault or none',
      options: faults.map((f) => ({ value: f.id, name: f.name.toLowerCase() }))
    }
  ] as const satisfies readonly {
    name: Narrowing;
    none: string;
    options: { value: string; name: string }[];
  }[]);
  const isNarrow = $derived([...params.keys()].length > 0);
</script>

<div class="flex flex-wrap items-center gap-x-2 gap-y-1.5" role="search">
  <input
    type="search"
    class="input input-sm w-52"
    placeholder="Words, people, notes"
    aria-label="Find in the logbook"
    value={params.get('search') ?? ''}
    oninput={(e) => onchange('search', e.currentTarget.value)}
  />
  {#each choices as choice (choice.name)}
    <select
      class="select select-sm w-auto max-w-44"
      aria-label={choice.none}
      value={params.get(choice.name) ?? ''}
      onchange={(e) => onchange(choice.name, e.currentTarget.value)}
    >
      <option value="">{choice.none}</option>
      {#each choice.options as option (option.value)}<option value={option.value}>{option.name}</option
        >{/each}
    </select>
  {/each}
  <label class="text-[13.5px]"
    >cone <input
      class="word-field w-12"
      autocomplete="off"
      placeholder="any"
      value={params.get('cone') ?? ''}
      onchange={(e) => onchange('cone', e.currentTarget.value.trim())}
    /></label
  >
  <select
    class="select select-sm w-auto"
    aria-label="Since when"
    value={since}
    onchange={(e) => {
      const days = Number(e.currentTarget.value);
      onchange('since', days ? new Date(Date.now() - days * day).toISOString().slice(0, 10) : '');
    }}
  >
    {#each sinces as s (s.days)}<option value={s.days}>{s.name}</option>{/each}
  </select>
  <label class="flex items-center gap-1 text-[13.5px]"
    ><input
      type="checkbox"
      class="checkbox checkbox-xs"
      checked={params.get('reference') === 'true'}
      onchange={(e) => onchange('reference', e.currentTarget.checked ? 'true' : '')}
    /> references only</label
  >
  {#if isNarrow}<button class="link text-soft text-[13.5px]" onclick={onclear}>Show all</button>{/if}
</div>
