<script lang="ts">
  import type { StudioDraft } from './studio-draft.svelte';

  /** What the studio asks of those who fire. */
  const { draft }: { draft: StudioDraft } = $props();

  const rules = [
    { value: 'never-alone', name: 'Never alone', why: 'Somebody is in for as long as the power is on.' },
    {
      value: 'alarm-between',
      name: 'Alarm in between',
      why: 'Somebody is in when it is switched on and at the top; an alarm watches the rest.'
    },
    { value: 'marked-moments', name: 'Marked moments', why: 'Somebody is in at the moments ticked here.' }
  ] as const;
  const moments = [
    { value: 'switch-on', name: 'switching on' },
    { value: 'steam-check', name: 'the steam check' },
    { value: 'first-colour', name: 'first colour' },
    { value: 'reduction', name: 'reduction' },
    { value: 'top', name: 'the top' },
    { value: 'power-off', name: 'power off' },
    { value: 'open', name: 'opening' }
  ];
  const marked = $derived((draft.body.marked ?? []).filter((m) => m !== null));
</script>

<section class="card-paper grid gap-2 px-4 py-3" aria-labelledby="the-rule">
  <h2 id="the-rule" class="text-[17px]">The studio's rule</h2>
  <p class="text-soft text-[13.5px]">
    Starts are held to it. Your insurer, local codes and the kiln maker's manual may ask for more; a shut-off
    device is a backup, not a supervisor.
  </p>
  {#each rules as rule (rule.value)}
    <label class="flex items-baseline gap-2 text-[14px]">
      <input
        type="radio"
        class="radio radio-primary radio-xs"
        name="rule"
        value={rule.value}
        checked={draft.body.rule === rule.value}
        onchange={() => draft.edit({ rule: rule.value })}
      />
      <span><b>{rule.name}.</b> <span class="text-soft">{rule.why}</span></span>
    </label>
  {/each}
  {#if draft.body.rule === 'marked-moments'}
    <div class="flex flex-wrap gap-x-5 gap-y-1 pl-6 text-[14px]" role="group" aria-label="Marked moments">
      {#each moments as moment (moment.value)}
        <label class="flex items-center gap-1.5">
          <input
            type="checkbox"
            class="checkbox checkbox-primary checkbox-xs"
            checked={marked.includes(moment.value)}
            onchange={(e) =>
              draft.edit({
                marked: e.currentTarget.checked
                  ? [...marked, moment.value]
                  : marked.filter((m) => m !== moment.value)
              })}
          />
          {moment.name}
        </label>
      {/each}
    </div>
  {/if}
</section>
