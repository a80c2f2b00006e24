import {
  api,
  fieldErrors,
  sayProblem,
  type Kiln,
  type KilnBody,
  type KilnPortrait,
  type Problem
} from '$lib/api/client';
import { KeptDraft, type Saved } from '$lib/ui/kept-draft.svelte';

/** One kiln being described: its numbers, and what it can do with them. */
export class KilnDraft extends KeptDraft<KilnBody> {
  id: number | null = $state(null);
  portrait: KilnPortrait | null = $state.raw(null);

  private asking = false;
  private askAgain = false;

  constructor(body: KilnBody, stored?: Kiln) {
    super(stored ? stored.kiln : body);
    if (stored) this.stands(stored);
    void this.ask();
  }

  protected override changed(): void {
    void this.ask();
    super.changed();
  }

  /** At most one question under way; the last answer counts. */
  private async ask(): Promise<void> {
    this.askAgain = this.asking;
    if (this.asking) return;
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
    if (data) this.stands(data);
    else this.errors = fieldErrors(error as Problem);
    return data?.id ?? null;
  }

  protected async send(body: KilnBody, version: number): Promise<Saved<KilnBody>> {
    const { data, error, response } = await api.PUT('/api/kilns/{id}', {
      params: { path: { id: this.id ?? 0 } },
      headers: { 'If-Match': `"${version}"` },
      body
    });
    if (data) return { version: data.version, body: data.kiln };
    const problem = error as Problem;
    if (response.status !== 412 || !problem.current) return { problem };
    const theirs = problem.current as Kiln;
    return { theirs: { version: theirs.version, body: theirs.kiln } };
  }

  private stands(stored: Kiln): void {
    this.id = stored.id;
    this.keptAs(stored.version, stored.kiln);
  }
}
