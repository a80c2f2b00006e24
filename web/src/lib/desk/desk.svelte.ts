import { SvelteMap } from 'svelte/reactivity';
import {
  api,
  fieldErrors,
  sayProblem,
  type Acceptance,
  type CurvePoint,
  type Finding,
  type Preview,
  type Problem,
  type Schedule,
  type Unit
} from '$lib/api/client';
import { acceptanceOf } from '$lib/findings/acceptance';
import { FiringLink } from '$lib/firings/firing-link.svelte';
import { degrees, duration, localFieldOf, withOffset } from '$lib/format';
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
import { History } from '$lib/draft/history.svelte';
import { forget, keep, keepKiln, recall, recallKiln } from './keep';

/** Where the words on the desk are: only here, on their way, or safe. */
export type SaveState =
  | { kind: 'blank' }
  | { kind: 'saved' }
  | { kind: 'saving' }
  | { kind: 'waiting' }
  | { kind: 'mend'; text: string }
  | { kind: 'clash'; current: Schedule }
  | { kind: 'offline'; text: string };

const pauseBeforeSaving = 700;

/** One schedule on the desk: its words, their undo, what the server makes of them, and their way into the store. */
export class Desk {
  id: number | null = $state(null);
  version = $state(0);
  updatedAt: string | null = $state(null);
  history: History<Draft>;
  preview: Preview | null = $state.raw(null);
  /** Messages by field, as the server names them: "segments[2].rate". Rows that are blank do not count. */
  errors: Record<string, string> = $state.raw({});
  save: SaveState = $state.raw({ kind: 'blank' });
  /** Local date and time the firing starts, as a date field gives it, or empty; or when what the anchor says happens. */
  start = $state('');
  anchor: 'start' | 'top' | 'open' = $state('start');
  /** The kiln it is planned for, and how full; null is the plain kiln. */
  kilnId: number | null = $state(null);
  fill = $state(1);
  /** The firing it was planned for: its load is what the reviewer has before him. */
  firing = $state.raw<FiringLink | null>(null);
  /** What a mend would make of it, while somebody looks at its button. */
  tried = $state.raw<{ curve: CurvePoint[]; change: string } | null>(null);
  /** A stretch of the firing somebody is pointing at, in minutes. */
  marked: { from: number; to: number } | null = $state.raw(null);
  /** Two temperatures whose time apart is wanted. */
  between: { from: number; to: number } | null = $state.raw(null);
  /** Fields whose text is no value at all, with what to say; they keep their text and hold back the saving. */
  readonly unreadable = new SvelteMap<string, string>();

  private saved: Draft;
  private trying: Finding['fix'] = null;
  private asking = false;
  private askAgain = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private startTimer: ReturnType<typeof setTimeout> | undefined;
  private saving: Promise<void> | null = null;
  private onNewId: (id: number) => void;

  constructor(unit: Unit, onNewId: (id: number) => void) {
    this.history = new History(emptyDraft(unit));
    this.saved = this.history.current;
    this.onNewId = onNewId;
  }

  get draft(): Draft {
    return this.history.current;
  }

  /** The index among the steps that count, which is how the server numbers them. */
  stepNumber(row: number): number {
    return written(this.draft).findIndex((w) => w.row === row);
  }

  /** Puts a kept schedule on the desk, with anything written on this device since. */
  open(schedule: Schedule): void {
    this.id = schedule.id;
    this.version = schedule.version;
    this.updatedAt = schedule.updatedAt;
    this.saved = fromSchedule(schedule);
    this.history.reset(this.saved);
    this.save = { kind: 'saved' };
    const planned = recallKiln(schedule.id);
    if (planned) [this.kilnId, this.fill] = [planned.kilnId, planned.fill];
    void this.plannedFor(schedule.id, planned === null);
    const kept = recall(schedule.id);
    if (kept && !sameWords(kept.draft, this.saved)) {
      this.history.push(rekeyed(kept.draft));
      this.save =
        kept.version === schedule.version ? { kind: 'waiting' } : { kind: 'clash', current: schedule };
    }
    this.changed();
  }

  /** Starts a new one, or goes on with what was written on this device and never saved. */
  openNew(steps?: readonly DraftStep[], unit?: Unit): void {
    const kept = recall(null);
    if (steps) this.history.push({ ...emptyDraft(unit ?? this.draft.unit), steps });
    else if (kept) this.history.push(rekeyed(kept.draft));
    this.changed();
  }

  edit(change: Partial<Draft>, group: string | null = null): void {
    this.history.push({ ...this.draft, ...change }, group);
    this.changed();
  }

  editStep(row: number, change: Partial<DraftStep>, group: string | null = null): void {
    this.edit({ steps: this.draft.steps.map((s, i) => (i === row ? { ...s, ...change } : s)) }, group);
  }

  /** Adds a blank step after a row and tells its row. */
  addStep(after: number): number {
    const steps = [...this.draft.steps];
    steps.splice(after + 1, 0, emptyStep());
    this.edit({ steps });
    return after + 1;
  }

  duplicateStep(row: number): void {
    const step = this.draft.steps[row];
    if (!step) return;
    const steps = [...this.draft.steps];
    steps.splice(row + 1, 0, { ...step, key: emptyStep().key });
    this.edit({ steps });
  }

  removeStep(row: number): void {
    const steps = this.draft.steps.filter((_, i) => i !== row);
    this.edit({ steps: steps.length > 0 ? steps : [emptyStep()] });
  }

  moveStep(row: number, by: -1 | 1): number {
    const to = row + by;
    const steps = [...this.draft.steps];
    const [step] = steps.splice(row, 1);
    if (!step || to < 0 || to > steps.length) return row;
    steps.splice(to, 0, step);
    this.edit({ steps });
    return to;
  }

  undo(): void {
    if (this.history.undo()) this.changed();
  }

  redo(): void {
    if (this.history.redo()) this.changed();
  }

  /** Reads a line of shorthand. Steps go in before a closing "off", unless the line brings its own; or replace everything. */
  async write(text: string, replace = false): Promise<Problem | null> {
    const steps = written(this.draft).map((w) => w.step);
    const last = steps.at(-1);
    const closing = !replace && last?.pace === 'natural' && last.target === null ? steps.pop() : undefined;
    const { data, error } = await api.POST('/api/notation/parse', {
      body: { text, unit: this.draft.unit, startTemperature: replace ? null : (steps.at(-1)?.target ?? null) }
    });
    if (!data) return error as Problem;
    const read = data.segments.map(fromSegment);
    const endsItself = read.at(-1)?.pace === 'natural' && read.at(-1)?.target === null;
    const tail = closing && !endsItself ? [closing] : [];
    this.edit({ steps: replace ? read : [...steps, ...read, ...tail] });
    return null;
  }

  /** The same schedule on the other scale; exact, and one step to undo. */
  async switchUnit(): Promise<string | null> {
    const unit: Unit = this.draft.unit === 'C' ? 'F' : 'C';
    const blank = written(this.draft).length === 0;
    if (blank) {
      this.edit({ unit });
      return null;
    }
    const body = toBody(this.draft);
    const { data, error } = await api.POST('/api/schedules/convert', {
      body: { schedule: { ...body, name: body.name || 'Untitled' }, unit }
    });
    if (!data) return `First mend what is marked: ${sayProblem(error)}`;
    if (this.between) {
      const swap = (t: number) =>
        unit === 'F' ? Math.round((t * 9) / 5 + 32) : Math.round(((t - 32) * 5) / 9);
      this.between = { from: swap(this.between.from), to: swap(this.between.to) };
    }
    this.edit({ ...fromSchedule(data), name: this.draft.name });
    return null;
  }

  /** The kiln and how full it is, as every question about this firing takes them. */
  firedIn() {
    const load = this.firing?.load ?? (this.kilnId === null ? null : { fill: this.fill });
    return { kilnId: this.kilnId, load };
  }

  /** Findings accepted for the firing this is for; null while it is for none. */
  get accepted(): Acceptance[] | null {
    return this.firing ? (this.firing.body.accepted ?? []).filter((a) => a !== null) : null;
  }

  /** How many findings nobody has accepted. */
  get openFindings(): number {
    return (this.preview?.findings ?? []).filter((f) => !acceptanceOf(f, this.accepted)).length;
  }

  /** When it is switched on, once that is known. */
  get startsAt(): string | null {
    return (this.start ? this.preview?.startsAt : null) ?? null;
  }

  chooseKiln(kilnId: number | null, fill = this.fill): void {
    this.kilnId = kilnId;
    this.fill = fill;
    keepKiln(this.id, { kilnId, fill });
    this.changed();
  }

  /** Looks for the firing this schedule is for; its kiln is this one's unless another was chosen here. */
  private async plannedFor(scheduleId: number, itsKiln: boolean): Promise<void> {
    const firing = await FiringLink.of(scheduleId).catch(() => null);
    if (!firing || this.id !== scheduleId) return;
    this.firing = firing;
    if (itsKiln) this.kilnId = firing.body.kilnId ?? null;
    if (firing.body.startsAt && !this.start) this.start = localFieldOf(firing.body.startsAt);
    this.changed();
  }

  /** The kiln was deleted meanwhile: the plain one is better than no answer. */
  private kilnGone(): void {
    this.kilnId = null;
    keepKiln(this.id, { kilnId: null, fill: this.fill });
    this.askAgain = true;
  }

  /** Puts the steps of a finding's mend in the place of the one they replace. */
  mend(fix: NonNullable<Finding['fix']>): void {
    this.edit({ steps: this.mended(fix) });
    this.marked = this.tried = null;
  }

  private mended(fix: NonNullable<Finding['fix']>): readonly DraftStep[] {
    const row = written(this.draft)[fix.segment]?.row;
    const steps = [...this.draft.steps];
    if (row !== undefined) steps.splice(row, 1, ...fix.steps.map(fromSegment));
    return steps;
  }

  /** Shows what a mend would do beside what is there, without doing it; nothing takes it away again. */
  async tryFix(fix: Finding['fix']): Promise<void> {
    this.trying = fix ?? null;
    if (!fix) {
      this.tried = null;
      return;
    }
    const { data } = await api.POST('/api/preview', {
      body: { schedule: toBody({ ...this.draft, steps: this.mended(fix) }), ...this.firedIn() }
    });
    const now = this.preview;
    if (!data || !now || this.trying !== fix) return;
    const longer = data.poweredMinutes - now.poweredMinutes;
    const left = data.findings.filter((f) => !acceptanceOf(f, this.accepted)).length;
    const parts = [
      Math.abs(longer) < 1 ? 'as long' : `${duration(Math.abs(longer))} ${longer > 0 ? 'longer' : 'shorter'}`,
      `top ${degrees(data.peak, data.unit)}`,
      left ? `${left} left to look at` : 'nothing left to look at'
    ];
    this.tried = { curve: [...data.curve, ...(data.kiln?.cooling.slice(1) ?? [])], change: parts.join(', ') };
  }

  /** Asks the server about the words as they are; at most one question is under way, and the last answer counts. */
  changed(): void {
    if (!sameWords(this.draft, this.saved)) {
      keep(this.id, { version: this.version, draft: this.draft });
      if (this.save.kind !== 'clash') this.save = { kind: 'waiting' };
    } else if (this.save.kind !== 'clash' && this.id !== null) {
      forget(this.id);
      this.save = { kind: 'saved' };
    }
    void this.ask();
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.store(), pauseBeforeSaving);
  }

  private async ask(): Promise<void> {
    if (this.asking) {
      this.askAgain = true;
      return;
    }
    this.asking = true;
    try {
      do {
        this.askAgain = false;
        await this.askOnce();
      } while (this.askAgain);
    } finally {
      this.asking = false;
    }
  }

  private async askOnce(): Promise<void> {
    const body = toBody(this.draft);
    if (!body.segments?.length) {
      this.preview = null;
      this.errors = {};
      return;
    }
    const firing = this.firing;
    try {
      const { data, error } = await api.POST('/api/preview', {
        body: {
          schedule: body,
          ...this.firedIn(),
          start: this.start ? withOffset(this.start) : null,
          anchor: this.anchor,
          between: this.between ? [this.between] : null
        }
      });
      if (data) {
        this.preview = data;
        if (firing) this.keepStart(data.startsAt ?? null);
      } else if ((error as Problem).errors?.['kilnId']) this.kilnGone();
      this.errors = data ? {} : fieldErrors(error as Problem, 'schedule.');
    } catch (error) {
      this.save = { kind: 'offline', text: sayProblem(error) };
    }
  }

  /** A firing remembers when it is switched on; said on the desk it is said for the firing. */
  private keepStart(startsAt: string | null): void {
    clearTimeout(this.startTimer);
    const known = this.firing?.body.startsAt ?? null;
    const same = (known && Date.parse(known)) === (startsAt && Date.parse(startsAt));
    if (this.firing && !same)
      this.startTimer = setTimeout(() => void this.firing?.change(() => ({ startsAt })), pauseBeforeSaving);
  }

  /** Saves now if there is something to save and nothing that stands against it. */
  async store(): Promise<void> {
    clearTimeout(this.timer);
    if (this.saving) await this.saving;
    if (this.save.kind === 'clash' || sameWords(this.draft, this.saved)) return;
    this.saving = this.storeOnce().finally(() => (this.saving = null));
    await this.saving;
  }

  private async storeOnce(): Promise<void> {
    const draft = this.draft;
    const untouched = this.id === null && !draft.name && written(draft).length === 0;
    if (untouched) {
      forget(null);
      this.save = { kind: 'blank' };
      return;
    }
    const wrong = [...this.unreadable.values()][0];
    if (wrong) {
      this.save = { kind: 'mend', text: wrong };
      return;
    }
    this.save = { kind: 'saving' };
    try {
      const body = toBody(draft);
      const answer =
        this.id === null
          ? await api.POST('/api/schedules', { body })
          : await api.PUT('/api/schedules/{id}', {
              params: { path: { id: this.id } },
              headers: { 'If-Match': `"${this.version}"` },
              body
            });
      if (answer.data) this.stored(answer.data, draft);
      else this.refused(answer.error as Problem, answer.response.status);
    } catch (error) {
      this.save = { kind: 'offline', text: sayProblem(error) };
      this.timer = setTimeout(() => void this.store(), 5000);
    }
  }

  private stored(schedule: Schedule, draft: Draft): void {
    const isNew = this.id === null;
    forget(this.id);
    this.id = schedule.id;
    this.version = schedule.version;
    this.updatedAt = schedule.updatedAt;
    this.saved = draft;
    this.save = { kind: 'saved' };
    if (isNew) {
      keepKiln(schedule.id, { kilnId: this.kilnId, fill: this.fill });
      this.onNewId(schedule.id);
    }
    if (!sameWords(this.draft, draft)) this.changed();
  }

  private refused(problem: Problem, status: number): void {
    if (status === 412 && problem.current)
      this.save = { kind: 'clash', current: problem.current as Schedule };
    else {
      this.save = { kind: 'mend', text: sayProblem(problem) };
      this.errors = { ...this.errors, ...fieldErrors(problem) };
    }
  }

  /** After a clash: theirs on the desk (ours is one undo away), or ours as the newer version of theirs. */
  settleClash(take: 'theirs' | 'ours'): void {
    if (this.save.kind !== 'clash') return;
    const { current } = this.save;
    this.version = current.version;
    this.saved = fromSchedule(current);
    this.save = { kind: 'waiting' };
    if (take === 'theirs') {
      forget(this.id);
      this.edit(this.saved);
    } else this.changed();
  }

  close(): void {
    void this.store();
  }
}

/** Keys are only unique within one visit; what comes from the device gets new ones. */
const rekeyed = (draft: Draft): Draft => ({
  ...draft,
  steps: draft.steps.map((s) => ({ ...s, key: emptyStep().key }))
});
