import {
  api,
  fieldErrors,
  sayProblem,
  type Fit,
  type LoadBody,
  type Problem,
  type ScheduleBody
} from '$lib/api/client';
import { Latest } from '$lib/api/latest';

/** What is turned by the clock at which kiln. */
export interface ToTurn {
  schedule: ScheduleBody;
  kilnId: number;
  controllerId: number;
  load?: LoadBody | null;
}

export interface Turn {
  minute: number;
  positions: string[];
}

/** A firing by switches that is under way, as it is kept on this device. */
interface UnderWay {
  schedule: string;
  startedAt: number;
  done: Turn[];
  readings: { minute: number; temperature: number }[];
}

const kept = (kilnId: number) => `ember.turns.${kilnId}`;

/** Turning switches by the clock: the plan, what is done, and the plan made anew from what the pyrometer says. */
export class Turning {
  plan: Fit | null = $state.raw(null);
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);
  busy = $state(false);
  underWay: UnderWay | null = $state.raw(null);

  private what: ToTurn | null = null;
  private readonly latest = new Latest();

  of(what: ToTurn): Promise<void> {
    this.what = what;
    const found = this.find();
    this.underWay = found?.schedule === this.key ? found : null;
    return this.ask();
  }

  /** Tells schedules apart: a firing under way of another one is not this one's. */
  private get key(): string {
    return JSON.stringify([this.what?.schedule.segments, this.what?.controllerId]);
  }

  get turns(): Turn[] {
    return (this.plan?.turns ?? []).map((t) => ({ minute: t.minute, positions: [...t.positions] }));
  }

  get done(): number {
    return this.underWay?.done.length ?? 0;
  }

  /** What is turned next; nothing once only the off is left. */
  get next(): Turn | null {
    return this.turns[this.done] ?? null;
  }

  /** ms since 1970 of a minute of the plan; nothing before it was started. */
  at(minute: number): number | null {
    return this.underWay ? this.underWay.startedAt + minute * 60_000 : null;
  }

  /** Switched on: the first turn is done. */
  start(now: number): void {
    const first = this.turns[0];
    if (!first) return;
    this.keep({ schedule: this.key, startedAt: now, done: [first], readings: [] });
  }

  /** The next turn was done at a moment, and the pyrometer said so much, where it was read; the rest is planned anew. */
  async turned(now: number, temperature: number | null): Promise<void> {
    const [under, next] = [this.underWay, this.next];
    if (!under || !next) return;
    const minute = Math.max(0, Math.round((now - under.startedAt) / 60_000));
    const readings = temperature === null ? under.readings : [...under.readings, { minute, temperature }];
    const before = under;
    this.keep({ ...under, done: [...under.done, { ...next, minute }], readings });
    await this.ask();
    // A reading nobody can use is asked for again; the turn itself is done.
    if (Object.keys(this.errors).length)
      this.keep({ ...before, done: [...before.done, { ...next, minute }] });
  }

  /** The last turn was a mistake of the thumb. */
  takeBack(): void {
    const under = this.underWay;
    if (!under) return;
    const last = under.done.at(-1);
    if (under.done.length <= 1) return this.end();
    this.keep({
      ...under,
      done: under.done.slice(0, -1),
      readings: under.readings.filter((r) => r.minute < (last?.minute ?? 0))
    });
    void this.ask();
  }

  /** It is off, or was never meant to be started. */
  end(): void {
    this.keep(null);
    void this.ask();
  }

  private ask(): Promise<void> {
    const what = this.what;
    if (!what) return Promise.resolve();
    this.busy = true;
    return this.latest.ask(
      (signal) =>
        api.POST('/api/controllers/fit', {
          body: {
            schedule: what.schedule,
            profileId: what.controllerId,
            kilnId: what.kilnId,
            load: what.load ?? null,
            done: this.underWay?.done ?? null,
            readings: this.underWay?.readings ?? null
          },
          signal
        }),
      ({ data, error }) => {
        this.busy = false;
        this.trouble = null;
        this.errors = data ? {} : fieldErrors(error as Problem);
        // Under way a plan that is no plan leaves the one there is: it still has to be turned off.
        if (data && !data.turns && this.underWay) this.trouble = data.why;
        else if (data) this.plan = data;
      },
      (error) => {
        this.busy = false;
        this.trouble = sayProblem(error);
      }
    );
  }

  private keep(under: UnderWay | null): void {
    this.underWay = under;
    if (!this.what) return;
    try {
      if (under) localStorage.setItem(kept(this.what.kilnId), JSON.stringify(under));
      else localStorage.removeItem(kept(this.what.kilnId));
    } catch {
      // A full or forbidden store costs only that a closed tab forgets.
    }
  }

  private find(): UnderWay | null {
    try {
      return JSON.parse(localStorage.getItem(kept(this.what?.kilnId ?? 0)) ?? 'null') as UnderWay | null;
    } catch {
      return null;
    }
  }

  stop(): void {
    this.latest.stop();
  }
}
