/** What was typed but not yet acknowledged by the server, kept on this device so that a closed tab or a lost network loses nothing. */
export interface LocalCopy<T> {
  /** The version it was typed on; 0 for what was never saved. */
  version: number;
  body: T;
  /** When it was written, ms since 1970. */
  at: number;
  /** Keys of saves whose answers have not come: a newer version saved under one of them is this one's own. */
  keys: string[];
}

/** A copy with the place it was found in. */
export type FoundCopy<T> = LocalCopy<T> & { slot: string };

/** What one tab tells the others once the server has acknowledged a save. */
export interface SavedElsewhere {
  key: string;
  version: number;
  body: unknown;
}

/** Where a draft keeps its local copy, and how it hears of other tabs. */
export interface Device {
  /** Writes this draft's own copy; `owner` tells drafts of one thing apart. */
  write: (key: string, owner: string, copy: LocalCopy<unknown>) => void;
  erase: (key: string, owner: string) => void;
  /** Every copy that no living tab owns, oldest first. */
  find: (key: string) => Promise<FoundCopy<unknown>[]>;
  /** Drops copies somebody goes on with. */
  drop: (slots: string[]) => void;
  newOwner: () => string;
  tell: (news: SavedElsewhere) => void;
  listen: (hear: (news: SavedElsewhere) => void) => () => void;
}

const prefix = 'ember.copy.';
const lockOf = (tab: string) => `ember.tab.${tab}`;

/** The browser: local storage for the copies, a lock for each living tab, a channel between them. */
export class BrowserDevice implements Device {
  private readonly tab: string = crypto.randomUUID();
  private readonly channel = 'BroadcastChannel' in globalThis ? new BroadcastChannel('ember.saves') : null;
  private owners = 0;
  private readonly locked: Promise<void>;

  constructor() {
    // Held for as long as this page lives, and given back by the browser however it ends.
    this.locked = new Promise((resolve) => {
      if (!('locks' in navigator)) return resolve();
      void navigator.locks.request(lockOf(this.tab), () => {
        resolve();
        return new Promise(() => {});
      });
    });
  }

  newOwner(): string {
    return `${this.tab}.${++this.owners}`;
  }

  write(key: string, owner: string, copy: LocalCopy<unknown>): void {
    try {
      localStorage.setItem(`${prefix}${key}.${owner}`, JSON.stringify(copy));
    } catch {
      // A full or forbidden store costs only this safety net.
    }
  }

  erase(key: string, owner: string): void {
    localStorage.removeItem(`${prefix}${key}.${owner}`);
  }

  async find(key: string): Promise<FoundCopy<unknown>[]> {
    await this.locked;
    const start = `${prefix}${key}.`;
    const slots = Object.keys(localStorage).filter((name) => name.startsWith(start));
    if (slots.length === 0) return [];
    const held = 'locks' in navigator ? ((await navigator.locks.query()).held ?? []) : [];
    const living = new Set(held.map((lock) => lock.name));
    return slots
      .filter((slot) => {
        const tab = slot.slice(start.length).split('.')[0] ?? '';
        // This tab's own are of drafts whose page was left; another living tab still has its own on screen.
        return tab === this.tab || !living.has(lockOf(tab));
      })
      .flatMap((slot) => read(slot) ?? [])
      .sort((a, b) => a.at - b.at);
  }

  drop(slots: string[]): void {
    for (const slot of slots) localStorage.removeItem(slot);
  }

  tell(news: SavedElsewhere): void {
    this.channel?.postMessage(news);
  }

  listen(hear: (news: SavedElsewhere) => void): () => void {
    const heard = (event: MessageEvent<SavedElsewhere>) => hear(event.data);
    this.channel?.addEventListener('message', heard);
    return () => this.channel?.removeEventListener('message', heard);
  }
}

function read(slot: string): FoundCopy<unknown> | null {
  try {
    const copy = JSON.parse(localStorage.getItem(slot) ?? 'null') as LocalCopy<unknown> | null;
    return copy && typeof copy.version === 'number' && copy.body
      ? { ...copy, keys: copy.keys ?? [], slot }
      : null;
  } catch {
    return null;
  }
}

let browser: BrowserDevice | undefined;

/** The one device of this page. */
export const device = (): Device => (browser ??= new BrowserDevice());
