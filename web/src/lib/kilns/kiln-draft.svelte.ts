import {
  api,
  fieldErrors,
  sayProblem,
  type Kiln,
  type KilnBody,
  type KilnPortrait,
  type Problem
} from '$lib/api/client';
import { History } from '$lib/desk/history.svelte';

const pauseBeforeSaving = 700;

/** One kiln being described: its numbers, their undo, what it can do with them, and their way into the store. */
export class KilnDraft {
  id: number | null = $state(null);
  version = 0;
  history: History<KilnBody>;
  portrait: KilnPortrait | null = $state.raw(null);
  errors: Record<string, string> = $state.raw({});
  saved: 'new' | 'kept' | 'waiting' | 'mend' = $state('new');
  trouble: string | null = $state(null);

  private kept = '';
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asking = false;
  private askAgain = false;

  constructor(body: KilnBody, stored?: Kiln) {
    this.history = new History(stored ? stored.kiln : body);
    if (stored) this.keptAs(stored);
    this.changed();
  }

  get body(): KilnBody {
    return this.history.current;
  }

  edit(change: Partial<KilnBody>, group: string | null = null): void {
    this.history.push({ ...this.body, ...change }, group);
    this.changed();
  }

  undo(): void {
    if (this.history.undo()) this.changed();
  }

  redo(): void {
    if (this.history.redo()) this.changed();
  }

  /** Draws it anew, and keeps it a moment later unless it is still to be made. */
  changed(): void {
    void this.ask();
    if (this.id === null) return;
    this.saved = JSON.stringify(this.body) === this.kept ? 'kept' : 'waiting';
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.store(), pauseBeforeSaving);
  }

  /** At most one question under way; the last answer counts. */
  private async ask(): Promise<void> {
    if (this.asking) {
      this.askAgain = true;
      return;
    }
    this.asking = true;
    try {
      do {
        this.askAgain = false;
        const { data, error } = await api.POST('/api/kilns/portrait', { body: this.body });
        if (data) this.portrait = data;
        this.errors = data ? {} : fieldErrors(error as Problem);
      } while (this.askAgain);
    } catch (error) {
      this.trouble = sayProblem(error);
    } finally {
      this.asking = false;
    }
  }

  /** Keeps a new kiln; tells its id, or nothing when something has to be mended first. */
  async make(): Promise<number | null> {
    const { data, error } = await api.POST('/api/kilns', { body: this.body });
    if (!data) {
      this.errors = fieldErrors(error as Problem);
      return null;
    }
    this.keptAs(data);
    return data.id;
  }

  async store(): Promise<void> {
    clearTimeout(this.timer);
    if (this.id === null || JSON.stringify(this.body) === this.kept) return;
    const body = this.body;
    try {
      const { data, error, response } = await api.PUT('/api/kilns/{id}', {
        params: { path: { id: this.id } },
        headers: { 'If-Match': `"${this.version}"` },
        body
      });
      if (data) {
        this.keptAs(data, JSON.stringify(body));
        if (this.body !== body) this.changed();
      } else if (response.status === 412 && (error as Problem).current) {
        // Somebody else changed this kiln: theirs comes onto the page, ours is one undo away.
        const theirs = (error as Problem).current as Kiln;
        this.keptAs(theirs);
        this.edit(theirs.kiln);
        this.trouble = 'Somebody else changed this kiln meanwhile; this is theirs. Undo brings yours back.';
      } else {
        this.errors = { ...this.errors, ...fieldErrors(error as Problem) };
        this.saved = 'mend';
      }
    } catch (error) {
      this.trouble = sayProblem(error);
      this.timer = setTimeout(() => void this.store(), 5000);
    }
  }

  private keptAs(stored: Kiln, text = JSON.stringify(stored.kiln)): void {
    this.id = stored.id;
    this.version = stored.version;
    this.kept = text;
    this.saved = 'kept';
    this.trouble = null;
  }
}
