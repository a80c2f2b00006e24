import { SvelteMap } from 'svelte/reactivity';
import { api, saveKey, savedOver, type Finding, type Schedule, type Unit } from '$lib/api/client';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import { openDraft, type Opened, type Remote } from '$lib/draft/remote';
import { device, type FoundCopy } from '$lib/draft/device';
import { outcomeOf, type Stored } from '$lib/draft/outcome';
import {
  emptyDraft,
  emptyStep,
  fromSchedule,
  fromSegment,
  sameWords,
  toBody,
  written,
  type Draft,
  type DraftStep
} from './draft';

const read = (schedule: Schedule): Stored<Draft> => ({
  id: schedule.id,
  version: schedule.version,
  body: fromSchedule(schedule)
});

const remote: Remote<Draft> = {
  key: (id) => `schedule.${id ?? 'new'}`,
  createsItself: true,
  same: sameWords,
  // Keys are only unique within one visit; what comes from elsewhere gets new ones.
  revive: (draft) => ({ ...draft, steps: draft.steps.map((s) => ({ ...s, key: emptyStep().key })) }),
  isUntouched: (draft) => !draft.name && written(draft).length === 0 && !draft.notes,
  save: async (id, version, draft, sending) =>
    outcomeOf(
      await api.PUT('/api/schedules/{id}', {
        params: { path: { id } },
        headers: { ...savedOver(version), ...saveKey(sending.key) },
        body: toBody(draft),
        keepalive: sending.leaving
      }),
      read
    ),
  create: async (draft, sending) =>
    outcomeOf(
      await api.POST('/api/schedules', {
        headers: saveKey(sending.key),
        body: toBody(draft),
        keepalive: sending.leaving
      }),
      read
    ),
  restore: async (id) => {
    const { data } = await api.POST('/api/schedules/{id}/restore', { params: { path: { id } } });
    return data ? read(data) : null;
  }
};

/** What an earlier program kept on this device. */
function earlierCopy(id: number | null): FoundCopy<Draft>[] {
  const slot = `ember.draft.${id ?? 'new'}`;
  try {
    const kept = JSON.parse(localStorage.getItem(slot) ?? 'null') as { version: number; draft: Draft } | null;
    return kept && Array.isArray(kept.draft?.steps)
      ? [{ slot, version: kept.version, body: kept.draft, at: 0, keys: [] }]
      : [];
  } catch {
    return [];
  }
}

/** A schedule with what was typed of it on this device; null for a new one. */
export async function openSchedule(id: number | null): Promise<Opened<Draft>> {
  const opened = await openDraft(remote.key(id), async () => {
    if (id === null) return null;
    const { data, error } = await api.GET('/api/schedules/{id}', { params: { path: { id } } });
    if (!data) throw error;
    return read(data);
  });
  return { ...opened, copies: [...earlierCopy(id), ...opened.copies] };
}

/** Text for a new schedule, for the editor to find: written in the kiln room, say. */
export function leaveForEditor(draft: Draft): void {
  device().write(remote.key(null), device().newOwner(), {
    version: 0,
    body: draft,
    at: Date.now(),
    keys: []
  });
}

/** The name of what was typed as new on this device and never saved, perhaps empty; nothing when there is none. */
export async function unsavedNew(): Promise<string | null> {
  const copies = [...earlierCopy(null), ...((await device().find(remote.key(null))) as FoundCopy<Draft>[])];
  return copies.at(-1)?.body.name ?? null;
}

/** One schedule being written: its steps, their undo, and their way into the store. */
export class ScheduleDraft extends AutosavedDraft<Draft> {
  /** Fields whose text is no value at all, with what to say; they keep their text and hold back the saving. */
  readonly unreadable = new SvelteMap<string, string>();
  /** Told after every change. */
  onchanged: () => void = () => {};

  constructor(unit: Unit, opened: Opened<Draft>) {
    super(remote, emptyDraft(unit), opened);
  }

  /** The index among the steps that count, which is how the server numbers them. */
  stepNumber(row: number): number {
    return written(this.body).findIndex((w) => w.row === row);
  }

  editStep(row: number, change: Partial<DraftStep>, group: string | null = null): void {
    this.edit({ steps: this.body.steps.map((s, i) => (i === row ? { ...s, ...change } : s)) }, group);
  }

  /** Adds a blank step after a row and tells its row. */
  addStep(after: number): number {
    this.edit({ steps: this.body.steps.toSpliced(after + 1, 0, emptyStep()) });
    return after + 1;
  }

  duplicateStep(row: number): void {
    const step = this.body.steps[row];
    if (step) this.edit({ steps: this.body.steps.toSpliced(row + 1, 0, { ...step, key: emptyStep().key }) });
  }

  removeStep(row: number): void {
    const steps = this.body.steps.filter((_, i) => i !== row);
    this.edit({ steps: steps.length > 0 ? steps : [emptyStep()] });
  }

  moveStep(row: number, by: -1 | 1): number {
    const [to, step] = [row + by, this.body.steps[row]];
    if (!step || to < 0 || to >= this.body.steps.length) return row;
    this.edit({ steps: this.body.steps.toSpliced(row, 1).toSpliced(to, 0, step) });
    return to;
  }

  /** The schedule with a finding's fix made: other steps in the place of some, and what they are read as. */
  withFix(fix: NonNullable<Finding['fix']>): Draft {
    const rows = written(this.body);
    const first = rows[fix.segment]?.row ?? this.body.steps.length;
    const last = rows[fix.segment + fix.replaces - 1]?.row ?? first - 1;
    return {
      ...this.body,
      steps: this.body.steps.toSpliced(first, last - first + 1, ...fix.steps.map(fromSegment)),
      unit: fix.unit ?? this.body.unit,
      kind: fix.kind ?? this.body.kind,
      goalCone: fix.goalCone ?? this.body.goalCone
    };
  }

  protected override changed(): void {
    super.changed();
    this.onchanged();
  }

  protected override holdsBack(): string | null {
    if (this.id === null && !this.body.name) return 'give it a name';
    return [...this.unreadable.values()][0] ?? null;
  }
}
