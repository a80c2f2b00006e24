import { fieldErrors, sayProblem, type Problem } from '$lib/api/client';
import { History } from '$lib/draft/history.svelte';

const pauseBeforeSaving = 700;

/** What a save came to: kept as this version, or somebody else's, or what is wrong. */
export type Saved<T> =
  { version: number; body: T } | { theirs: { version: number; body: T } } | { problem: Problem };

/** Something being changed on a page: every change one step to undo, kept a moment after it; nothing is overwritten. */
export abstract class KeptDraft<T> {
  history: History<T>;
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);
  saved: 'new' | 'kept' | 'waiting' | 'mend' = $state('new');

  protected version = 0;
  private kept = '';
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(body: T) {
    this.history = new History(body);
  }

  get body(): T {
    return this.history.current;
  }

  /** Sends it over the version it was made on. */
  protected abstract send(body: T, version: number): Promise<Saved<T>>;

  edit(change: Partial<T>, group: string | null = null): void {
    this.history.push({ ...this.body, ...change }, group);
    this.changed();
  }

  undo(): void {
    if (this.history.undo()) this.changed();
  }

  redo(): void {
    if (this.history.redo()) this.changed();
  }

  /** Keeps it a moment later, unless it was never kept at all. */
  protected changed(): void {
    if (this.saved === 'new') return;
    this.saved = JSON.stringify(this.body) === this.kept ? 'kept' : 'waiting';
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.store(), pauseBeforeSaving);
  }

  protected keptAs(version: number, body: T): void {
    [this.version, this.kept, this.errors, this.trouble] = [version, JSON.stringify(body), {}, null];
    this.saved = JSON.stringify(this.body) === this.kept ? 'kept' : 'waiting';
  }

  async store(): Promise<void> {
    clearTimeout(this.timer);
    const body = this.body;
    if (this.saved === 'new' || JSON.stringify(body) === this.kept) return;
    try {
      const answer = await this.send(body, this.version);
      if ('problem' in answer) {
        this.errors = { ...this.errors, ...fieldErrors(answer.problem) };
        this.saved = 'mend';
      } else if ('theirs' in answer) {
        // Theirs comes onto the page; ours is one undo away.
        this.keptAs(answer.theirs.version, answer.theirs.body);
        this.edit(answer.theirs.body as Partial<T>);
        this.trouble = 'Somebody else changed this meanwhile; this is theirs. Undo brings yours back.';
      } else {
        this.keptAs(answer.version, body);
        if (this.body !== body) this.changed();
      }
    } catch (error) {
      this.trouble = sayProblem(error);
      this.timer = setTimeout(() => void this.store(), 5000);
    }
  }
}
