<script module lang="ts">
  export type FuelDialog =
    | 'wrong'
    | 'setting'
    | 'colour'
    | 'cone'
    | 'sign'
    | 'reading'
    | 'note'
    | 'shut-off'
    | 'stop'
    | 'open'
    | null;
</script>

<script lang="ts">
  import { SettingDialog, ShutOffDialog, SignDialog, WrongDialog } from '$lib/fuel';
  import type { FiringTurns, Setting, Wrong } from '$lib/fuel/words';
  import EndDialog from './EndDialog.svelte';
  import EntrySheet from './EntrySheet.svelte';
  import type { Entry, EntryRequest, Live, Run } from './types';

  /** What is noted at a gas kiln, each in a dialog of its own. */
  interface Props {
    open: FuelDialog;
    run: Run;
    live: Live;
    /** The same with what is estimated as its temperature. */
    shown: Live;
    plan: FiringTurns | null;
    entries: readonly Entry[];
    unit: 'C' | 'F';
    onnote: (entry: Partial<EntryRequest> & Pick<EntryRequest, 'kind'>, photo?: Blob) => void;
    onturned: (setting: Setting) => void;
  }
  let { open = $bindable(), run, live, shown, plan, entries, unit, onnote, onturned }: Props = $props();
  const close = () => (open = null);

  /** It is in the log; and what the estimate can use is noted as that. */
  function isWrong(wrong: Wrong) {
    const last = entries.findLast((e) => e.kind === 'turned')?.setting ?? null;
    open = null;
    onnote({ kind: 'note', text: `Wrong: ${wrong.name.toLowerCase()}` });
    switch (wrong.then) {
      case 'shut-off':
        open = 'shut-off';
        break;
      case 'one-less':
        if (last && (last.lit ?? 0) > 1) onturned({ ...last, lit: (last.lit ?? 0) - 1 });
        else open = 'setting';
        break;
      case 'flame-at-flue':
      case 'flame-at-ports':
        onnote({ kind: 'air-sign', subject: wrong.then });
        open = 'setting';
        break;
      default:
        break;
    }
  }
</script>

{#if open === 'setting' && plan}<SettingDialog
    hands={plan.hands}
    from={plan.turns[plan.due] ?? plan.turns[0] ?? null}
    {onturned}
    onclose={close}
  />
{:else if open === 'shut-off'}<ShutOffDialog
    onshut={() => onturned({ flame: 'off', lit: 0, pressureBar: 0, damper: 0 })}
    onclose={close}
  />
{:else if open === 'wrong'}<WrongDialog onnote={isWrong} onclose={close} />
{:else if open === 'sign'}<SignDialog
    onsign={(sign) => {
      close();
      onnote({ kind: 'air-sign', subject: sign });
    }}
    onclose={close}
  />
{:else if open === 'stop' || open === 'open'}<EndDialog
    what={open}
    {run}
    {live}
    {unit}
    {entries}
    isFuel
    {onnote}
    onclose={close}
  />
{:else if open === 'colour' || open === 'cone' || open === 'reading' || open === 'note'}<EntrySheet
    what={open}
    live={shown}
    {unit}
    cones={['010', '08', ...live.cones.map((c) => c.cone)]}
    {onnote}
    onclose={close}
  />{/if}
