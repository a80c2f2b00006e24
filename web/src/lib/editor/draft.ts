import type { Schedule, ScheduleBody, Segment, Unit } from '$lib/api/client';
import type { Kind } from '$lib/format';

/** A step while it is being written: any number may be missing. The key keeps a row in its place while it moves. */
export interface DraftStep {
  key: number;
  pace: 'rate' | 'full' | 'natural';
  rate: number | null;
  target: number | null;
  holdMinutes: number;
  reason: string | null;
  atmosphere: Segment['atmosphere'];
}

/** A schedule while it is being written. Never changed in place, so that every earlier one can be gone back to. */
export interface Draft {
  name: string;
  kind: Kind;
  unit: Unit;
  steps: readonly DraftStep[];
  notes: string | null;
  tags: readonly string[];
  goalCone: string | null;
}

let nextKey = 1;

export const emptyStep = (): DraftStep => ({
  key: nextKey++,
  pace: 'rate',
  rate: null,
  target: null,
  holdMinutes: 0,
  reason: null,
  atmosphere: null
});

export const fromSegment = (segment: Segment): DraftStep => ({
  key: nextKey++,
  pace: (segment.pace ?? 'rate') as DraftStep['pace'],
  rate: segment.rate ?? null,
  target: segment.target ?? null,
  holdMinutes: segment.holdMinutes ?? 0,
  reason: segment.reason ?? null,
  atmosphere: segment.atmosphere ?? null
});

export const emptyDraft = (unit: Unit): Draft => ({
  name: '',
  kind: 'glaze',
  unit,
  steps: [emptyStep()],
  notes: null,
  tags: [],
  goalCone: null
});

export const fromSchedule = (schedule: Schedule | ScheduleBody): Draft => ({
  name: schedule.name ?? '',
  kind: schedule.kind ?? 'glaze',
  unit: schedule.unit ?? 'C',
  steps: (schedule.segments ?? []).filter((s) => s !== null).map(fromSegment),
  notes: schedule.notes ?? null,
  tags: (schedule.tags ?? []).filter((t) => t !== null),
  goalCone: schedule.goalCone ?? null
});

/** A row nobody has written in yet; it is not part of the schedule. */
export const isBlank = (step: DraftStep) =>
  step.pace === 'rate' && step.rate === null && step.target === null && !step.holdMinutes && !step.reason;

/** The steps that count, with the row each stands in. */
export const written = (draft: Draft) =>
  draft.steps.map((step, row) => ({ step, row })).filter(({ step }) => !isBlank(step));

export const toBody = (draft: Draft): ScheduleBody => ({
  name: draft.name,
  kind: draft.kind,
  unit: draft.unit,
  segments: written(draft).map(({ step }) => ({
    pace: step.pace,
    rate: step.pace === 'rate' ? step.rate : null,
    target: step.target,
    holdMinutes: step.holdMinutes,
    reason: step.reason,
    atmosphere: step.atmosphere
  })),
  notes: draft.notes,
  tags: [...draft.tags],
  goalCone: draft.goalCone
});

/** Two drafts that say the same, whatever their keys. */
export const sameWords = (a: Draft, b: Draft) => JSON.stringify(toBody(a)) === JSON.stringify(toBody(b));
