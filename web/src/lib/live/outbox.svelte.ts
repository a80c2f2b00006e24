import { openDB, type IDBPDatabase } from 'idb';
import { api, sayProblem, type Problem } from '$lib/api/client';
import { person } from '$lib/api/person';
import type { Entry, EntryRequest } from './types';

/** An entry on its way, kept on this device until the program has it. */
export interface Waiting {
  id?: number;
  firingId: number;
  by: string;
  body: EntryRequest;
  /** Goes with it: a picture, made small. */
  photo?: Blob;
  /** Why the program did not take it: it waits for somebody to put it right or let it go. */
  refused?: string;
}

const store = 'entries';
const retryAfter = 4000;

/** The bytes themselves, which are no JSON. */
async function sendPhoto({ firingId, body }: Waiting, photo: Blob, headers: Record<string, string>) {
  const asked = new URLSearchParams({ at: body.at ?? '', ...(body.text && { text: body.text }) });
  const response = await fetch(`/api/firings/${firingId}/entries/${body.key}/photo?${asked}`, {
    method: 'PUT',
    body: photo,
    headers: { ...headers, 'Content-Type': photo.type }
  });
  const answer: unknown = await response.json().catch(() => null);
  return response.ok
    ? { data: answer as Entry, error: undefined, response }
    : { data: undefined, error: answer as Problem | undefined, response };
}

/**
 * Entries noted at the kiln: kept on this device first, then sent, one after the other and in order. A closed tab or a lost network delays them; the key
 * each was given makes the program take it once.
 */
class Outbox {
  /** Entries of each firing that are still to be sent. */
  waiting: Waiting[] = $state.raw([]);

  #db: Promise<IDBPDatabase> | null = null;
  #sending = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #sent: ((firingId: number, entry: Entry) => void)[] = [];

  /** Opens what is left from before and sends it. */
  open(): void {
    if (this.#db) return;
    this.#db = openDB('ember-outbox', 1, {
      upgrade: (db) => void db.createObjectStore(store, { keyPath: 'id', autoIncrement: true })
    });
    window.addEventListener('online', () => void this.send());
    void this.#look().then(() => this.send());
  }

  /** Called with each entry the program has taken. */
  onsent(run: (firingId: number, entry: Entry) => void): () => void {
    this.#sent.push(run);
    return () => (this.#sent = this.#sent.filter((r) => r !== run));
  }

  /** Notes something; it is safe on this device once this is done. */
  async note(
    firingId: number,
    entry: Omit<EntryRequest, 'key'> & { kind: EntryRequest['kind'] },
    photo?: Blob
  ): Promise<void> {
    this.open();
    const db = await this.#db;
    await db?.add(store, {
      firingId,
      by: person.name,
      body: { ...entry, key: crypto.randomUUID(), at: entry.at ?? new Date().toISOString() },
      ...(photo && { photo })
    } satisfies Waiting);
    await this.#look();
    void this.send();
  }

  /** Sends what waits, oldest first; stops at the first that cannot be sent now. */
  async send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    try {
      for (let next = this.#next(); next; next = this.#next()) {
        if (!(await this.#deliver(next))) {
          this.#timer = setTimeout(() => void this.send(), retryAfter);
          return;
        }
        await this.#look();
      }
    } finally {
      this.#sending = false;
    }
  }

  /** Sends what was refused once more, changed or as it is. */
  async again(waiting: Waiting, change: Partial<EntryRequest> = {}): Promise<void> {
    const next: Waiting = { ...waiting, body: { ...waiting.body, ...change } };
    delete next.refused;
    await (await this.#db)?.put(store, next);
    await this.#look();
    void this.send();
  }

  /** Lets something go that was not taken. */
  async drop(waiting: Waiting): Promise<void> {
    await (await this.#db)?.delete(store, waiting.id as number);
    await this.#look();
  }

  /** The oldest that is still to be sent. */
  #next = () => this.waiting.find((w) => w.refused === undefined);

  async #deliver(waiting: Waiting): Promise<boolean> {
    try {
      // How long ago it was is what counts: the clock of this device may be wrong.
      const headers: Record<string, string> = {
        'Device-Time': new Date().toISOString(),
        ...(waiting.by && { 'Studio-Person': encodeURIComponent(waiting.by) })
      };
      const { data, error, response } = waiting.photo
        ? await sendPhoto(waiting, waiting.photo, headers)
        : await api.POST('/api/firings/{id}/entries', {
            params: { path: { id: waiting.firingId } },
            body: waiting.body,
            headers
          });
      if (data) for (const run of this.#sent) run(waiting.firingId, data);
      // The program has no room or no time just now, or nobody is signed in: later. What it refuses for good is said, and kept until somebody has seen to it.
      if (!data && (response.status >= 500 || [401, 403, 429].includes(response.status))) return false;
      const db = await this.#db;
      if (data) await db?.delete(store, waiting.id as number);
      else await db?.put(store, { ...waiting, refused: sayProblem(error) } satisfies Waiting);
      return true;
    } catch {
      return false;
    }
  }

  async #look(): Promise<void> {
    this.waiting = ((await (await this.#db)?.getAll(store)) ?? []) as Waiting[];
  }
}

export const outbox = new Outbox();
