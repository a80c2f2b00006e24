import { api, fieldErrors, sayProblem, type Problem, type Studio, type StudioBody } from '$lib/api/client';
import { History } from '$lib/desk/history.svelte';

const pauseBeforeSaving = 700;

/** The studio's hours and prices being changed: kept a moment after every change, each change one step to undo. */
export class HoursDraft {
  history: History<StudioBody>;
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);
  saved: 'kept' | 'waiting' | 'mend' = $state('kept');

  private version: number;
  private kept: string;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(stored: Studio) {
    this.history = new History(stored.studio);
    this.version = stored.version;
    this.kept = JSON.stringify(stored.studio);
  }

  get body(): StudioBody {
    return this.history.current;
  }

  edit(change: Partial<StudioBody>, group: string | null = null): void {
    this.history.push({ ...this.body, ...change }, group);
    this.changed();
  }

  undo(): void {
    if (this.history.undo()) this.changed();
  }

  redo(): void {
    if (this.history.redo()) this.changed();
  }

  private changed(): void {
    this.saved = JSON.stringify(this.body) === this.kept ? 'kept' : 'waiting';
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.store(), pauseBeforeSaving);
  }

  async store(): Promise<void> {
    clearTimeout(this.timer);
    const text = JSON.stringify(this.body);
    if (text === this.kept) return;
    try {
      const { data, error, response } = await api.PUT('/api/studio', {
        headers: { 'If-Match': `"${this.version}"` },
        body: this.body
      });
      if (data) {
        [this.version, this.kept, this.errors, this.trouble] = [data.version, text, {}, null];
        this.saved = JSON.stringify(this.body) === text ? 'kept' : 'waiting';
      } else if (response.status === 412 && (error as Problem).current) {
        const theirs = (error as Problem).current as Studio;
        this.version = theirs.version;
        this.edit(theirs.studio);
        this.trouble = 'Somebody else changed this meanwhile; this is theirs. Undo brings yours back.';
      } else {
        this.errors = fieldErrors(error as Problem);
        this.saved = 'mend';
      }
    } catch (error) {
      this.trouble = sayProblem(error);
      this.timer = setTimeout(() => void this.store(), 5000);
    }
  }
}
