import { sayProblem } from '$lib/api/client';
import { device as browserDevice, type Device, type FoundCopy } from './device';
import { History } from './history.svelte';
import { openDraftsOn } from './open-drafts';
import type { Outcome, Stored } from './outcome';
import type { Opened, Remote, SaveState, Sending } from './remote';

const pauseBeforeSaving = 700;
const shortestRetry = 2_000;
const longestRetry = 30_000;

/**
 * Something being changed: every change one step to undo, saved a moment after it. One save is under way at a time, the newest
 * text goes after it, and until the server has acknowledged it a copy stays on this device. Nothing of anybody is overwritten
 * without being asked: at a conflict both are there, and undo goes across the choice.
 */
export class AutosavedDraft<T> {
  readonly history: History<T>;
  id: number | null = $state(null);
  version = $state(0);
  state: SaveState<T> = $state.raw({ kind: 'new' });
  /** Messages by field, as the server names them. */
  errors: Record<string, string> = $state.raw({});

  protected readonly remote: Remote<T>;
  private readonly device: Device;
  private readonly owner: string;
  private readonly stopListening: () => void;
  /** What the server has, as far as is known. */
  private acknowledged: T | null;
  private keys: string[] = [];
  /** A save that was sent and whose answer has not come: sent again it is the same save. */
  private pending: { body: T; key: string } | null = null;
  private sending: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private failures = 0;
  private atOnce = false;
  private left = false;
  private abandoned = false;
  private readonly living: ReturnType<typeof openDraftsOn>;
  /** The network is back. */
  private readonly retry = () => {
    if (this.state.kind === 'offline') void this.save();
  };

  constructor(remote: Remote<T>, body: T, opened?: Opened<T>, device: Device = browserDevice()) {
    this.remote = remote;
    this.device = device;
    this.owner = device.newOwner();
    const stored = opened?.stored ?? null;
    [this.id, this.version, this.acknowledged] = [
      stored?.id ?? null,
      stored?.version ?? 0,
      stored?.body ?? null
    ];
    this.history = new History(stored?.body ?? body);
    if (stored) this.state = { kind: 'saved' };
    this.stopListening = device.listen((news) => {
      if (news.key === this.key && this.id !== null) this.hear(news.version, news.body as T);
    });
    this.living = openDraftsOn(device);
    this.living.get(this.key)?.abandon();
    this.living.set(this.key, this);
    window.addEventListener('online', this.retry);
    for (const copy of opened?.copies ?? []) this.goOn(copy);
    device.drop((opened?.copies ?? []).map((c) => c.slot));
  }

  get body(): T {
    return this.history.current;
  }

  get key(): string {
    return this.remote.key(this.id);
  }

  /** True when the server has every word of it. */
  get isSafe(): boolean {
    return this.acknowledged !== null && this.same(this.body, this.acknowledged);
  }

  edit(change: Partial<T>, group: string | null = null): void {
    this.replace({ ...this.body, ...change }, group);
  }

  replace(body: T, group: string | null = null): void {
    this.history.push(body, group);
    this.changed();
  }

  undo(): void {
    if (this.history.undo()) this.changed();
  }

  redo(): void {
    if (this.history.redo()) this.changed();
  }

  /** Saves what there is to save, now, and tells when there is nothing left to do at present. */
  async save(): Promise<void> {
    clearTimeout(this.timer);
    this.atOnce = true;
    this.sending ??= this.sendAll(false).finally(() => (this.sending = null));
    await this.sending;
  }

  /** Makes a new one, when that is asked for by hand; its number, or nothing while something has to be fixed first. */
  async create(): Promise<number | null> {
    if (this.id === null && this.state.kind !== 'saving') this.state = { kind: 'waiting' };
    await this.save();
    return this.id;
  }

  /** The page is left: what is not safe yet is sent along, and its copy stays on the device. */
  leave(): void {
    clearTimeout(this.timer);
    if (this.wantsSaving() && !this.sending)
      this.sending = this.sendAll(true).finally(() => (this.sending = null));
  }

  /** Nobody looks at it any more; what is not safe yet is still sent. */
  close(): void {
    this.stopListening();
    this.left = true;
    void this.save().then(() => {
      if (this.isSafe && !this.abandoned) this.end();
    });
  }

  /** At a conflict: theirs or mine. Undo brings the other back. */
  settle(take: 'mine' | 'theirs'): void {
    if (this.state.kind !== 'conflict') return;
    const { theirs } = this.state;
    const mine = this.body;
    this.acknowledge(theirs.version, theirs.body);
    this.history.push(theirs.body);
    if (take === 'mine') this.history.push(mine);
    this.state = { kind: 'waiting' };
    this.changed();
    void this.save();
  }

  /** It was deleted somewhere else: brings it back and goes on. */
  async bringBack(): Promise<void> {
    if (this.state.kind !== 'gone' || this.id === null) return;
    const stored = await this.remote.restore?.(this.id);
    if (!stored) return;
    this.acknowledge(stored.version, stored.body);
    this.state = { kind: 'waiting' };
    this.changed();
  }

  /** Drops what was typed since the server last had it; one step to undo. */
  revert(): void {
    if (this.acknowledged !== null) this.replace(this.acknowledged);
  }

  /** What stands against saving, if anything: text in a field that is no value at all. */
  protected holdsBack(): string | null {
    return null;
  }

  /** After every change, and whenever the server's side of it changed. */
  protected changed(): void {
    if (this.isSafe) {
      this.errors = {};
      if (this.pending === null) this.device.erase(this.key, this.owner);
    } else if (this.id !== null || !this.isUntouched) this.writeCopy();
    if (this.state.kind === 'conflict' || this.state.kind === 'gone') return;
    if (this.state.kind === 'new' && !(this.remote.createsItself && !this.isUntouched)) return;
    if (this.sending) return;
    this.state = this.isSafe ? { kind: 'saved' } : { kind: 'waiting' };
    this.later(pauseBeforeSaving);
  }

  private get isUntouched(): boolean {
    return this.remote.isUntouched?.(this.body) ?? false;
  }

  private same(a: T, b: T): boolean {
    return this.remote.same?.(a, b) ?? JSON.stringify(a) === JSON.stringify(b);
  }

  private revived(body: T): T {
    return this.remote.revive?.(body) ?? body;
  }

  private later(pause: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(), pause);
  }

  private writeCopy(): void {
    if (this.abandoned) return;
    this.device.write(this.key, this.owner, {
      version: this.version,
      body: this.body,
      at: Date.now(),
      keys: this.keys
    });
  }

  private wantsSaving(): boolean {
    if (this.left && this.isSafe) return false;
    const settled = this.state.kind === 'conflict' || this.state.kind === 'gone' || this.state.kind === 'new';
    return !settled && (!this.isSafe || this.pending !== null) && !(this.id === null && this.isUntouched);
  }

  private async sendAll(leaving: boolean): Promise<void> {
    while (this.wantsSaving()) {
      this.atOnce = false;
      const held = this.holdsBack();
      if (held) {
        this.state = { kind: 'fix', text: held };
        return;
      }
      // The answer to an earlier save never came. A new thing is made once: the same is asked for again. A newer text of an old
      // thing goes over the version it was typed on; should the earlier one have got there, its key will say so.
      if (!this.pending || (this.id !== null && !this.same(this.pending.body, this.body)))
        this.pending = { body: this.body, key: crypto.randomUUID() };
      this.keys = [...this.keys.filter((k) => k !== this.pending?.key), this.pending.key].slice(-20);
      this.writeCopy();
      this.state = { kind: 'saving' };
      const go = this.receive(await this.sendOnce(this.pending.body, { key: this.pending.key, leaving }));
      if (!go) return;
      if (this.wantsSaving() && !this.atOnce && !this.left) {
        this.state = { kind: 'waiting' };
        this.later(pauseBeforeSaving);
        return;
      }
    }
    if (this.isSafe && this.state.kind === 'waiting') this.state = { kind: 'saved' };
  }

  private async sendOnce(body: T, sending: Sending): Promise<Outcome<T>> {
    try {
      if (this.id !== null) return await this.remote.save(this.id, this.version, body, sending);
      if (!this.remote.create) throw new Error('nothing makes this');
      return await this.remote.create(body, sending);
    } catch (error) {
      return { kind: 'later', text: sayProblem(error), seconds: null };
    }
  }

  /** True when it may go on at once. */
  private receive(outcome: Outcome<T>): boolean {
    if (this.abandoned) return false;
    switch (outcome.kind) {
      case 'saved': {
        const body = this.pending?.body ?? outcome.stored.body;
        this.failures = 0;
        this.isNow(outcome.stored, body);
        this.state = { kind: this.isSafe ? 'saved' : 'waiting' };
        this.errors = {};
        this.device.tell({ key: this.key, version: outcome.stored.version, body });
        return true;
      }
      case 'conflict':
        if (outcome.saveKey !== null && this.keys.includes(outcome.saveKey)) {
          // Our own save, whose answer was lost on the way.
          this.acknowledge(outcome.theirs.version, outcome.theirs.body);
          this.state = { kind: 'waiting' };
          return true;
        }
        this.pending = null;
        if (this.same(this.body, outcome.theirs.body)) {
          this.isNow(outcome.theirs, outcome.theirs.body);
          this.state = { kind: 'saved' };
          return true;
        }
        this.state = {
          kind: 'conflict',
          theirs: { ...outcome.theirs, body: this.revived(outcome.theirs.body) }
        };
        this.writeCopy();
        return false;
      case 'refused':
        if (this.pending && !this.same(this.pending.body, this.body)) {
          // Put right while it was on its way.
          [this.pending, this.state] = [null, { kind: 'waiting' }];
          return true;
        }
        this.pending = null;
        this.errors = outcome.errors;
        this.state = { kind: 'fix', text: outcome.text };
        this.writeCopy();
        return false;
      case 'gone':
        this.pending = null;
        this.state = { kind: 'gone' };
        this.writeCopy();
        return false;
      default: {
        this.state = { kind: 'offline', text: outcome.text };
        const pause = Math.min(longestRetry, shortestRetry * 2 ** this.failures++);
        this.later(outcome.seconds ? outcome.seconds * 1000 : pause);
        return false;
      }
    }
  }

  /** What was sent is stored. */
  private isNow(stored: Stored<T>, body: T): void {
    if (this.id === null) {
      this.device.erase(this.key, this.owner);
      this.living.delete(this.key);
      this.id = stored.id;
      this.living.set(this.key, this);
    }
    this.acknowledge(stored.version, body);
  }

  private acknowledge(version: number, body: T): void {
    [this.version, this.acknowledged, this.keys, this.pending] = [version, body, [], null];
    if (this.isSafe) this.device.erase(this.key, this.owner);
    else this.writeCopy();
  }

  /** Another tab saved this: it comes onto this page too, unless something here is not saved yet. */
  private hear(version: number, body: T): void {
    if (version <= this.version || !this.isSafe || this.sending) return;
    this.acknowledge(version, this.revived(body));
    this.history.push(this.acknowledged as T);
    this.changed();
  }

  /** Goes on with what a closed tab had typed. */
  private goOn(copy: FoundCopy<T>): void {
    const body = this.revived(copy.body);
    if (this.acknowledged !== null && this.same(body, this.acknowledged)) return;
    this.history.push(body);
    this.keys = [...this.keys, ...copy.keys];
    this.writeCopy();
    if (this.id === null && !this.remote.createsItself) return;
    // Over the version it was typed on: whoever saved since then is asked about.
    if (this.id !== null && copy.version > 0) this.version = Math.min(this.version, copy.version);
    this.state = { kind: 'waiting' };
    this.later(pauseBeforeSaving);
  }

  /** Somebody on this page opened it anew and goes on from the copy. */
  abandon(): void {
    this.stopListening();
    clearTimeout(this.timer);
    this.end();
    [this.left, this.abandoned, this.pending] = [true, true, null];
    this.state = { kind: 'new' };
  }

  private end(): void {
    window.removeEventListener('online', this.retry);
    if (this.living.get(this.key) === this) this.living.delete(this.key);
  }
}
