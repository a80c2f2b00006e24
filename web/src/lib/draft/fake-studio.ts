import type { Device, FoundCopy, LocalCopy, SavedElsewhere } from './device';
import type { Outcome, Stored } from './outcome';
import type { Remote, Sending } from './remote';

/** For tests: a server that minds versions and keys as ours does, behind a network that can be slow, fail or lose answers. */
export interface Text {
  text: string;
}

export interface Network {
  /** ms until a request reaches the server, and until its answer is back. */
  there: number;
  back: number;
  /** The request never gets there; or it does, and its answer never comes back. */
  fails: 'no' | 'before' | 'after';
}

const wait = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

export class FakeServer {
  readonly rows = new Map<number, { version: number; body: Text; saveKey: string; createKey: string }>();
  saves = 0;
  underWay = 0;
  mostUnderWay = 0;
  /** Tells how the network treats the next request. */
  network: () => Network = () => ({ there: 10, back: 10, fails: 'no' });

  add(id: number, text: string): Stored<Text> {
    this.rows.set(id, { version: 1, body: { text }, saveKey: '', createKey: '' });
    return { id, version: 1, body: { text } };
  }

  stored(id: number): Stored<Text> {
    const row = this.rows.get(id);
    if (!row) throw new Error(`nothing at ${id}`);
    return { id, version: row.version, body: row.body };
  }

  /** Somebody at another device saves. */
  other(id: number, text: string): void {
    const { version } = this.stored(id);
    this.rows.set(id, { version: version + 1, body: { text }, saveKey: 'another', createKey: '' });
  }

  get remote(): Remote<Text> {
    return {
      key: (id) => `text.${id ?? 'new'}`,
      createsItself: true,
      isUntouched: (body) => body.text === '',
      create: (body, sending) => this.pass(() => this.create(body, sending)),
      save: (id, version, body, sending) => this.pass(() => this.save(id, version, body, sending)),
      restore: (id) => Promise.resolve(this.add(id, 'restored'))
    };
  }

  private async pass(request: () => Outcome<Text>): Promise<Outcome<Text>> {
    const { there, back, fails } = this.network();
    this.mostUnderWay = Math.max(this.mostUnderWay, ++this.underWay);
    try {
      await wait(there);
      if (fails === 'before') throw new TypeError('failed to fetch');
      const outcome = request();
      await wait(back);
      if (fails === 'after') throw new TypeError('failed to fetch');
      return outcome;
    } finally {
      this.underWay--;
    }
  }

  private create(body: Text, { key }: Sending): Outcome<Text> {
    const made = [...this.rows].find(([, row]) => row.createKey === key);
    if (made) return { kind: 'saved', stored: this.stored(made[0]) };
    const id = this.rows.size + 1;
    this.rows.set(id, { version: 1, body, saveKey: key, createKey: key });
    return { kind: 'saved', stored: this.stored(id) };
  }

  private save(id: number, version: number, body: Text, { key }: Sending): Outcome<Text> {
    const row = this.rows.get(id);
    if (!row) return { kind: 'gone' };
    if (body.text.includes('!'))
      return { kind: 'refused', text: 'No shouting.', errors: { text: 'No shouting.' } };
    if (row.version !== version) {
      if (row.saveKey === key && row.version === version + 1)
        return { kind: 'saved', stored: this.stored(id) };
      return { kind: 'conflict', theirs: this.stored(id), saveKey: row.saveKey };
    }
    this.saves++;
    this.rows.set(id, { ...row, version: version + 1, body, saveKey: key });
    return { kind: 'saved', stored: this.stored(id) };
  }
}

/** The disk of one device, and the channel between its tabs. */
export class FakeDisk {
  readonly slots = new Map<string, LocalCopy<unknown>>();
  readonly tabs = new Set<FakeTab>();
}

export class FakeTab implements Device {
  private readonly disk: FakeDisk;
  private readonly name: string;
  private owners = 0;
  private readonly ears = new Set<(news: SavedElsewhere) => void>();

  constructor(disk: FakeDisk, name: string) {
    [this.disk, this.name] = [disk, name];
    disk.tabs.add(this);
  }

  /** The tab ends without any warning. */
  crash(): void {
    this.disk.tabs.delete(this);
    this.ears.clear();
  }

  newOwner(): string {
    return `${this.name}.${++this.owners}`;
  }

  write(key: string, owner: string, copy: LocalCopy<unknown>): void {
    // A tab that has ended writes nothing any more.
    if (this.disk.tabs.has(this)) this.disk.slots.set(`${key}/${owner}`, structuredClone(copy));
  }

  erase(key: string, owner: string): void {
    if (this.disk.tabs.has(this)) this.disk.slots.delete(`${key}/${owner}`);
  }

  find(key: string): Promise<FoundCopy<unknown>[]> {
    const living = new Set([...this.disk.tabs].filter((t) => t !== this).map((t) => t.name));
    const found = [...this.disk.slots].filter(
      ([slot]) => slot.startsWith(`${key}/`) && !living.has(slot.slice(key.length + 1).split('.')[0] ?? '')
    );
    return Promise.resolve(found.map(([slot, copy]) => ({ ...copy, slot })).sort((a, b) => a.at - b.at));
  }

  drop(slots: string[]): void {
    for (const slot of slots) this.disk.slots.delete(slot);
  }

  tell(news: SavedElsewhere): void {
    for (const tab of this.disk.tabs)
      if (tab !== this) for (const ear of tab.ears) ear(structuredClone(news));
  }

  listen(hear: (news: SavedElsewhere) => void): () => void {
    this.ears.add(hear);
    return () => this.ears.delete(hear);
  }
}
