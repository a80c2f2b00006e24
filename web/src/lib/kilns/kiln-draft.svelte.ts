import {
  api,
  fieldErrors,
  saveKey,
  savedOver,
  type Kiln,
  type KilnBody,
  type KilnPortrait,
  type Problem
} from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import { openDraft, type Opened, type Remote } from '$lib/draft/remote';
import { outcomeOf, type Stored } from '$lib/draft/outcome';

const read = (kiln: Kiln): Stored<KilnBody> => ({ id: kiln.id, version: kiln.version, body: kiln.kiln });
const key = (id: number | null) => `kiln.${id ?? 'new'}`;

const remote: Remote<KilnBody> = {
  key,
  save: async (id, version, body, sending) =>
    outcomeOf(
      await api.PUT('/api/kilns/{id}', {
        params: { path: { id } },
        headers: { ...savedOver(version), ...saveKey(sending.key) },
        body,
        keepalive: sending.leaving
      }),
      read
    ),
  create: async (body, sending) =>
    outcomeOf(
      await api.POST('/api/kilns', { headers: saveKey(sending.key), body, keepalive: sending.leaving }),
      read
    ),
  restore: async (id) => {
    const { data } = await api.POST('/api/kilns/{id}/restore', { params: { path: { id } } });
    return data ? read(data) : null;
  }
};

/** A kiln with what was typed of it on this device; null for a new one. */
export const openKiln = (id: number | null) =>
  openDraft(key(id), async () => {
    if (id === null) return null;
    const { data, error } = await api.GET('/api/kilns/{id}', { params: { path: { id } } });
    if (!data) throw error;
    return read(data);
  });

/** One kiln being described: its numbers, and what it can do with them. */
export class KilnDraft extends AutosavedDraft<KilnBody> {
  portrait: KilnPortrait | null = $state.raw(null);
  /** What is wrong with the numbers as they stand, by field. */
  wrong: Record<string, string> = $state.raw({});

  /** What stands in a field and is no number, by field: nothing is saved around it. */
  unread: Record<string, string> = $state.raw({});

  private readonly latest = new Latest();

  /** What there is to say of each field. */
  get messages(): Record<string, string> {
    return { ...this.errors, ...this.wrong, ...this.unread };
  }

  /** A field was typed that is no number, or is one again. */
  misread(field: string, why: string | null): void {
    if (why === null && this.unread[field] === undefined) return;
    const rest = Object.fromEntries(Object.entries(this.unread).filter(([other]) => other !== field));
    this.unread = why === null ? rest : { ...rest, [field]: why };
    if (why !== null) this.state = { kind: 'fix', text: why };
    else if (this.state.kind === 'fix') {
      this.state = this.id === null ? { kind: 'new' } : { kind: 'saved' };
      this.changed();
    }
  }

  protected override holdsBack(): string | null {
    return Object.values(this.unread)[0] ?? null;
  }

  constructor(body: KilnBody, opened: Opened<KilnBody>) {
    super(remote, body, opened);
    void this.ask();
  }

  protected override changed(): void {
    void this.ask();
    super.changed();
  }

  /** A gas kiln of another size: burners, flue and air that were usual for the old one go with it. */
  async resize(volume: number): Promise<void> {
    const { data } = await api
      .POST('/api/kilns/resized', { body: { kiln: this.body, volume } })
      .catch(() => ({ data: undefined }));
    this.edit(data ? { ...data, volume } : { volume }, 'volume');
  }

  private ask(): Promise<void> {
    return this.latest.ask(
      (signal) => api.POST('/api/kilns/portrait', { body: this.body, signal }),
      ({ data, error }) => {
        if (data) this.portrait = data;
        this.wrong = data ? {} : fieldErrors(error as Problem);
      }
    );
  }
}
