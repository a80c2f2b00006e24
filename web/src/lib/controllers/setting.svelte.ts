import {
  api,
  fieldErrors,
  saveKey,
  sayProblem,
  type Bank,
  type ControllerMemory,
  type Entered,
  type Fit,
  type Keystroke,
  type LoadBody,
  type Problem,
  type ReadBack,
  type ScheduleBody
} from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { clockTime, minutesOf } from './words';

/** What is to be said to which kiln. */
export interface ToSet {
  schedule: ScheduleBody;
  kilnId: number;
  controllerId: number;
  firingId?: number | null;
  scheduleId?: number | null;
  scheduleVersion?: number | null;
  load?: LoadBody | null;
}

const kept = (kilnId: number, told: string) => `ember.set.${kilnId}.${told}`;

/** A program as it is told, but for the delay, which goes on while somebody keys it in. */
const toldOf = (fit: Fit | null) =>
  (fit?.program ?? [])
    .filter((a) => a.question !== 'delay')
    .map((a) => `${a.question}=${a.shown}`)
    .join(' ');

/** Setting one schedule at one kiln: the card with its ticks, what was read back, and what is recorded of it. */
export class Setting {
  fit: Fit | null = $state.raw(null);
  bank: Bank | null = $state.raw(null);
  /** What was entered before of this firing or schedule at this kiln, the latest first. */
  past: Entered[] = $state.raw([]);
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);
  slot: string | null = $state(null);
  delay = $state('0:00');
  /** The delay is the time until the planned start. */
  follows = $state(true);
  /** So many lines of the card are done. */
  ticked = $state(0);
  /** What was read off the display, question by question. */
  shown: string[] = $state([]);
  back: ReadBack | null = $state.raw(null);
  /** Messages about what was read, by question. */
  wrong: Record<number, string> = $state.raw({});
  recording = $state(false);

  private what: ToSet | null = null;
  private readonly fits = new Latest();
  private readonly backs = new Latest();

  /** Another schedule, another kiln, or the same one changed. */
  async of(what: ToSet): Promise<void> {
    const sameKiln = this.what?.kilnId === what.kilnId && this.what.controllerId === what.controllerId;
    this.what = what;
    if (!sameKiln) {
      this.fit = null;
      this.slot = null;
      this.delay = '0:00';
      this.follows = true;
      await this.look();
    }
    await this.ask();
  }

  /** What is in the kiln's programs, and what was entered of this before. */
  async look(): Promise<void> {
    const what = this.what;
    if (!what) return;
    try {
      const path = { id: what.kilnId };
      const [bank, entered] = await Promise.all([
        api.GET('/api/kilns/{id}/bank', {
          params: { path, query: what.scheduleId == null ? {} : { scheduleId: what.scheduleId } }
        }),
        api.GET('/api/kilns/{id}/entered', { params: { path } })
      ]);
      if (bank.data) this.bank = bank.data;
      this.past = (entered.data ?? []).filter((e) =>
        what.firingId != null
          ? e.firingId === what.firingId
          : what.scheduleId != null && e.scheduleId === what.scheduleId
      );
      if (this.slot !== null) return;
      // As it was set before, else where it belongs.
      const before = this.past.find((e) => e.clean && e.controller === bank.data?.controller);
      this.slot = before?.slot ?? bank.data?.place ?? null;
      if (before) [this.delay, this.follows] = [clockTime(before.delayMinutes), false];
    } catch (error) {
      this.trouble = sayProblem(error);
    }
  }

  choose(slot: string): void {
    this.slot = slot;
    void this.ask();
  }

  /** Somebody says how long it waits: it no longer goes by the planned start. */
  wait(delay: string): void {
    this.follows = false;
    this.delay = delay;
    void this.ask();
  }

  /** Counts down to the planned start until the delay itself is keyed, or anything was read back. */
  countDown(delay: string): void {
    const keyed = this.lines.findIndex((l) => l.question === 'delay');
    const isKeyed = keyed >= 0 && this.ticked > keyed;
    if (!this.follows || isKeyed || this.readSoFar.length > 0 || this.delay === delay) return;
    this.delay = delay;
    void this.ask();
  }

  ask(): Promise<void> {
    const what = this.what;
    if (!what) return Promise.resolve();
    const delayMinutes = minutesOf(this.delay);
    if (delayMinutes === null) {
      this.errors = { delayMinutes: 'Hours and minutes, like 6:30.' };
      return Promise.resolve();
    }
    return this.fits.ask(
      (signal) =>
        api.POST('/api/controllers/fit', {
          body: {
            schedule: what.schedule,
            profileId: what.controllerId,
            kilnId: what.kilnId,
            load: what.load ?? null,
            slot: this.slot,
            delayMinutes
          },
          signal
        }),
      ({ data, error }) => {
        this.trouble = null;
        this.errors = data ? {} : fieldErrors(error as Problem);
        if (data) this.take(data);
      },
      (error) => (this.trouble = sayProblem(error))
    );
  }

  get lines(): Keystroke[] {
    return this.fit?.keystrokes ?? [];
  }

  /** The line that is keyed now; nothing once all are. */
  get line(): Keystroke | null {
    return this.lines[this.ticked] ?? null;
  }

  /** Ticks up to here, or takes the tick of the last one away. */
  tick(index: number): void {
    this.ticked = this.ticked === index + 1 ? index : index + 1;
    this.keep();
  }

  /** The last time just this was read back clean for this firing or schedule. */
  get clean(): Entered | null {
    return this.past.find((e) => e.clean && e.code === this.fit?.code) ?? null;
  }

  /** What was read back clean before it was changed. */
  get before(): Entered | null {
    return this.clean ? null : (this.past.find((e) => e.clean) ?? null);
  }

  /** The kiln has just this already, and it may be relied on. */
  get held(): Entered | null {
    const slot = this.bank?.slots.find((s) => s.reliable && s.holds?.code === this.fit?.code);
    return slot?.holds ?? null;
  }

  /** A value read off the display; several at once go on to the next questions. */
  read(index: number, text: string): void {
    const parts = text.split(/[;|\t\n\r]+/).map((p) => p.trim());
    this.shown = [...this.shown];
    for (const [i, part] of parts.entries()) this.shown[index + i] = part;
    for (let i = 0; i < this.shown.length; i++) this.shown[i] ??= '';
    this.keep();
    void this.compare();
  }

  /** Read without a gap, from the first on. */
  get readSoFar(): string[] {
    const end = this.shown.findIndex((s) => !s?.trim());
    return (end < 0 ? this.shown : this.shown.slice(0, end)).map((s) => s.trim());
  }

  /** What the kiln's programs were last read to hold, where that is known of the one at hand: a value left there is told by it. */
  private get memory(): ControllerMemory | null {
    const known = (this.bank?.slots ?? []).flatMap(({ slot, holds, stale }) =>
      holds && !stale.includes('other-seen')
        ? [{ slot, at: holds.at, shown: Object.fromEntries(holds.shown.map((a) => [a.question, a.shown])) }]
        : []
    );
    if (!known.some((k) => k.slot === this.slot)) return null;
    const latest = known.reduce((a, b) => (b.at > a.at ? b : a));
    // A controller that keeps one program keeps it under 1.
    const slots = Object.fromEntries(known.map((k) => [k.slot ?? '1', k.shown]));
    return { slot: this.slot ?? '1', slots, shared: latest.shown, state: 'rest' };
  }

  private compare(): Promise<void> {
    const [what, fit, shown] = [this.what, this.fit, this.readSoFar];
    const program = fit?.program;
    if (!what || !program || shown.length === 0) {
      this.back = null;
      this.wrong = {};
      return Promise.resolve();
    }
    return this.backs.ask(
      (signal) =>
        api.POST('/api/controllers/read-back', {
          body: {
            schedule: what.schedule,
            profileId: what.controllerId,
            program,
            shown,
            memory: this.memory
          },
          signal
        }),
      ({ data, error }) => {
        this.back = data ?? null;
        this.wrong = {};
        for (const [field, text] of Object.entries(data ? {} : fieldErrors(error as Problem))) {
          const at = /^shown\[(\d+)\]$/.exec(field);
          if (at) this.wrong = { ...this.wrong, [Number(at[1])]: text };
        }
      },
      (error) => (this.trouble = sayProblem(error))
    );
  }

  /** Records what was read; with a slip, what somebody says had happened. True once it is recorded. */
  async record(slip: string | null = null): Promise<boolean> {
    const [what, shown] = [this.what, this.readSoFar];
    if (!what || this.recording) return false;
    this.recording = true;
    try {
      const { firingId, scheduleId, scheduleVersion, schedule } = what;
      const { data, error } = await api.POST('/api/kilns/{id}/entered', {
        params: { path: { id: what.kilnId } },
        headers: saveKey(crypto.randomUUID()),
        body: {
          schedule,
          firingId: firingId ?? null,
          scheduleId: scheduleId ?? null,
          scheduleVersion: scheduleVersion ?? null,
          slot: this.slot,
          delayMinutes: minutesOf(this.delay) ?? 0,
          shown,
          slip
        }
      });
      this.trouble = data ? null : sayProblem(error);
      if (data?.readBack.matches) this.forget();
      else if (data) this.readAgain(data.readBack);
      if (data) await this.look();
      return data !== undefined;
    } catch (error) {
      this.trouble = sayProblem(error);
      return false;
    } finally {
      this.recording = false;
    }
  }

  /** It is entered; the next time begins with a clean card. */
  private forget(): void {
    this.follows = false;
    if (this.place) localStorage.removeItem(this.place);
    this.ticked = 0;
    this.shown = [];
    this.back = null;
  }

  /** What was wrong is to be read once more; the rest stays. */
  private readAgain(back: ReadBack): void {
    const isWrong = (i: number) =>
      back.differences.some((d) => d.question === this.fit?.program?.[i]?.question);
    this.shown = this.shown.map((s, i) => (isWrong(i) ? '' : s));
    this.keep();
    void this.compare();
  }

  private take(fit: Fit): void {
    const another = toldOf(fit) !== toldOf(this.fit);
    this.fit = fit;
    if (!another) return;
    // What was ticked and read belongs to just this program.
    const found = this.find();
    this.ticked = found.ticked;
    this.shown = found.shown;
    void this.compare();
  }

  private get place(): string | null {
    return this.what && this.fit?.code ? kept(this.what.kilnId, toldOf(this.fit)) : null;
  }

  private keep(): void {
    if (!this.place) return;
    try {
      localStorage.setItem(this.place, JSON.stringify({ ticked: this.ticked, shown: this.shown }));
    } catch {
      // A full or forbidden store costs only what is ticked.
    }
  }

  private find(): { ticked: number; shown: string[] } {
    try {
      const found = JSON.parse((this.place && localStorage.getItem(this.place)) || 'null') as {
        ticked?: number;
        shown?: string[];
      } | null;
      return { ticked: found?.ticked ?? 0, shown: found?.shown ?? [] };
    } catch {
      return { ticked: 0, shown: [] };
    }
  }

  stop(): void {
    this.fits.stop();
    this.backs.stop();
  }
}
