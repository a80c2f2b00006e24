import { api, saveKey, savedOver, type Controller, type Profile } from '$lib/api/client';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import { openDraft, type Opened, type Remote } from '$lib/draft/remote';
import { outcomeOf, type Stored } from '$lib/draft/outcome';

const read = (controller: Controller): Stored<Profile> => ({
  id: controller.id,
  version: controller.version,
  body: controller.profile
});
const key = (id: number | null) => `controller.${id ?? 'new'}`;

const remote: Remote<Profile> = {
  key,
  save: async (id, version, body, sending) =>
    outcomeOf(
      await api.PUT('/api/controllers/{id}', {
        params: { path: { id } },
        headers: { ...savedOver(version), ...saveKey(sending.key) },
        body,
        keepalive: sending.leaving
      }),
      read
    ),
  restore: async (id) => {
    const { data } = await api.POST('/api/controllers/{id}/restore', { params: { path: { id } } });
    return data ? read(data) : null;
  }
};

/** A controller with what was typed of it on this device. */
export const openController = (id: number) =>
  openDraft(key(id), async () => {
    const { data, error } = await api.GET('/api/controllers/{id}', { params: { path: { id } } });
    if (!data) throw error;
    return read(data);
  });

type Question = NonNullable<NonNullable<Profile['ask']>[number]>;

/** A controller of the studio's own, being described. */
export class ControllerDraft extends AutosavedDraft<Profile> {
  constructor(opened: Opened<Profile>) {
    super(remote, {} as Profile, opened);
  }

  get questions(): Question[] {
    return (this.body.ask ?? []).filter((q) => q !== null);
  }

  editQuestion(at: number, change: Partial<Question>, group: string | null = null): void {
    this.edit({ ask: this.questions.map((q, i) => (i === at ? { ...q, ...change } : q)) }, group);
  }

  addQuestion(): void {
    const question = { id: '', label: '', entry: 'digits', format: 'whole', min: 0, max: 100 } as Question;
    this.edit({ ask: [...this.questions, question] });
  }

  removeQuestion(at: number): void {
    this.edit({ ask: this.questions.filter((_, i) => i !== at) });
  }

  moveQuestion(at: number, by: number): void {
    const ask = [...this.questions];
    const [moved] = ask.splice(at, 1);
    if (moved) ask.splice(at + by, 0, moved);
    this.edit({ ask });
  }

  /** Everything at once, as it was pasted; what is not in it is no longer said. */
  takeAll(profile: Profile): void {
    const unsaid = Object.keys(this.body).filter((k) => !(k in profile));
    this.edit({ ...Object.fromEntries(unsaid.map((k) => [k, null])), ...profile });
  }
}
