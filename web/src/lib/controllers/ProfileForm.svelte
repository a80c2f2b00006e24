<script lang="ts">
  import type { Profile } from '$lib/api/client';
  import { listOf, listText, numberOf } from './profile-text';

  interface Props {
    body: Profile;
    errors: Record<string, string>;
    disabled: boolean;
    onedit: (change: Partial<Profile>) => void;
  }
  /** What a controller can be told at all, as sentences whose words are fields. */
  const { body, errors, disabled, onedit }: Props = $props();

  const steps = $derived(body.give === 'rate' || body.give === 'time');
  const hands = ['lid', 'charge', 'timer'];
</script>

{#snippet choice(field: keyof Profile, label: string, choices: Record<string, string>, usual: string)}
  <select
    class="select select-sm w-auto pr-7!"
    aria-label={label}
    aria-invalid={errors[field] ? 'true' : undefined}
    value={(body[field] as string | null | undefined) ?? usual}
    onchange={(e) => onedit({ [field]: e.currentTarget.value })}
  >
    {#each Object.entries(choices) as [value, name] (value)}<option {value}>{name}</option>{/each}
  </select>
{/snippet}

{#snippet amount(field: 'most' | 'coolTo' | 'alarmAbove' | 'dryAt' | 'apart', label: string)}
  <input
    class="input input-sm w-18 text-right"
    inputmode="decimal"
    aria-label={label}
    aria-invalid={errors[field] ? 'true' : undefined}
    value={body[field] ?? ''}
    onchange={(e) => onedit({ [field]: numberOf(e.currentTarget.value) })}
  />
{/snippet}

<fieldset class="card-paper px-4 py-3" {disabled}>
  <legend class="font-serif text-[16px] font-semibold">What it can be told</legend>
  <p>
    It is told {@render choice(
      'give',
      'What it is told',
      { rate: 'rates', time: 'times', cone: 'a cone', dials: 'nothing, switches are turned' },
      'rate'
    )}
    in {@render choice('unit', 'Scale', { C: '°C', F: '°F' }, 'C')}{#if body.give === 'rate'}, degrees {@render choice(
        'per',
        'Rates are by the',
        { hour: 'an hour', minute: 'a minute' },
        'hour'
      )}{/if}.
  </p>
  {#if steps}
    <p>
      It takes at most {@render amount('most', 'Most steps')} steps, and
      {@render choice(
        'count',
        'How it knows how many',
        { asked: 'asks how many', ended: 'a word ends them', fixed: 'always asks them all' },
        'asked'
      )}.
    </p>
    <p>
      {#if body.give === 'rate'}It holds {@render choice(
          'hold',
          'Where it holds',
          { every: 'after every climb', top: 'at the top only' },
          'every'
        )};{/if}
      cooling: {@render choice(
        'cooling',
        'Cooling',
        { steps: 'steps like any other', one: 'one rate', none: 'none' },
        'steps'
      )}
      {#if body.cooling === 'one'}down to {@render amount('coolTo', 'Cooling ends at')} °{body.unit}{/if}.
    </p>
    <label
      ><input
        type="checkbox"
        class="checkbox checkbox-sm"
        checked={body.fullDown === 'off'}
        onchange={(e) => onedit({ fullDown: e.currentTarget.checked ? 'off' : null })}
      /> Full power downwards means power off</label
    >
  {/if}
  {#if body.give === 'dials'}
    <p>
      Between two turns of a switch at least {@render amount('apart', 'Minutes between two turns')} minutes.
    </p>
  {:else}
    <p>
      When a climb is late {@render choice(
        'clock',
        'When a climb is late',
        { waits: 'its clock waits', runs: 'its clock runs on' },
        'waits'
      )}. Alarm so far above the top: {@render amount('alarmAbove', 'Alarm above the top')} degrees, blank to set
      it off.
    </p>
    <label class="grid"
      >Its programs, blank where it keeps one
      <input
        class="input input-sm w-full"
        value={listText(body.slots)}
        placeholder="1, 2, 3"
        aria-invalid={errors['slots'] ? 'true' : undefined}
        onchange={(e) => onedit({ slots: listOf(e.currentTarget.value) })}
      /></label
    >
    <label
      ><input
        type="checkbox"
        class="checkbox checkbox-sm"
        checked={body.confirm === true}
        onchange={(e) => onedit({ confirm: e.currentTarget.checked || null })}
      /> What is typed on a pad is asked twice</label
    >
  {/if}
  <p>
    By hand before it goes:
    {#each hands as hand (hand)}
      <label class="mr-2"
        ><input
          type="checkbox"
          class="checkbox checkbox-sm"
          checked={body.hands?.includes(hand) ?? false}
          onchange={(e) => {
            const next = hands.filter((h) =>
              h === hand ? e.currentTarget.checked : body.hands?.includes(h)
            );
            onedit({ hands: next.length ? next : null });
          }}
        />
        {hand === 'charge'
          ? 'what is fired goes in'
          : hand === 'lid'
            ? 'the lid is closed'
            : 'the timer is set'}</label
      >
    {/each}
  </p>
  {#each Object.entries(errors).filter(([field]) => !field.startsWith('ask[') && field !== 'name') as [field, text] (field)}
    <p class="text-error text-[13.5px]" role="alert">{text}</p>
  {/each}
</fieldset>

<style>
  select,
  input {
    font-size: 14px;
  }
  fieldset {
    display: grid;
    gap: 7px;
    font-size: 14.5px;
  }
</style>
