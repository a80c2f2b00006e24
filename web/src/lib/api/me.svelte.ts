import type { components } from './schema';

export type Me = components['schemas']['MeContract'];

/** Nobody touched the page for so long: what it asks for is asked by itself, and keeps nobody signed in. */
const untouched = 60_000;

/** Who is signed in here, and what may be done. Where there are no accounts everything may. */
class SignedIn {
  /** The first answer has come, or the program cannot be reached. */
  known = $state(false);
  /** Nothing where nobody is signed in and the device is none of the studio's. */
  now: Me | null = $state.raw(null);
  /** Somebody was in on this page before: what was typed stands behind the question who it is. */
  wasIn = $state(false);
  /** What somebody is asked for just now. */
  asking: 'name' | 'password' | null = $state(null);
  /** Counts the questions: one that was closed unanswered is put again. */
  asks = $state(0);
  /** By six digits, on a device of the studio. */
  byPin = $state(false);

  #waiting: ((answered: boolean) => void)[] = [];
  #touched = Date.now();

  get isShared(): boolean {
    return this.known && this.now?.mode !== 'alone';
  }

  /** A screen of the studio with nobody signed in. */
  get isDisplay(): boolean {
    return this.now?.role === 'display';
  }

  /** Whether something may be done: a right as the wire has it, run:3 say. While it is not known, or the program cannot be reached, nothing is held back. */
  may(right: string): boolean {
    return !this.now || this.now.mode === 'alone' || this.now.rights.includes(right);
  }

  /** As the program says it. */
  is(me: Me | null): void {
    this.known = true;
    this.now = me;
    if (me) this.wasIn = true;
  }

  touched = (): void => {
    this.#touched = Date.now();
  };

  get idleMs(): number {
    return Date.now() - this.#touched;
  }

  get asksByItself(): boolean {
    return this.idleMs > untouched;
  }

  /** Asks who it is, or for the password again; done once that was answered, with whether it was. */
  ask(what: 'name' | 'password'): Promise<boolean> {
    this.asking = what;
    this.asks += 1;
    return new Promise((done) => this.#waiting.push(done));
  }

  answered(yes: boolean): void {
    this.asking = null;
    for (const done of this.#waiting.splice(0)) done(yes);
  }
}

export const me = new SignedIn();
