import {
  api,
  fieldErrors,
  sayProblem,
  type Firing,
  type FiringBody,
  type LoadSummary,
  type Lot,
  type Plan,
  type PlanRequest,
  type Preview,
  type Problem
} from '$lib/api/client';
import { KeptDraft, type Saved } from '$lib/ui/kept-draft.svelte';

export const emptyLot = (): Lot => ({ what: '', count: null, wall: null, dryness: 'bone-dry', glazeIds: [] });

/** A row nobody has written in; it is not part of the load. */
const isBlank = (lot: Lot) => !lot.what && lot.count == null && lot.wall == null;

/** One firing: its load and wishes, and what the planner and the reviewer make of them. */
export class FiringDraft extends KeptDraft<FiringBody> {
  readonly id: number;
  plan: Plan | null = $state.raw(null);
  preview: Preview | null = $state.raw(null);
  /** What follows from the load, planned or not. */
  load: LoadSummary | null = $state.raw(null);
  /** Messages of the planner by field; rows are numbered as they stand on the page. */
  planErrors: Record<string, string> = $state.raw({});
  /** What the plan took before the last change, to show the difference. */
  before: { hours: number; top: number } | null = $state.raw(null);

  private asking = false;
  private askAgain = false;

  constructor(stored: Firing) {
    super(stored.firing);
    this.id = stored.id;
    this.keptAs(stored.version, stored.firing);
    void this.ask();
  }

  get lots(): Lot[] {
    return (this.body.lots ?? []).filter((l) => l !== null);
  }

  /** The rows that count, with where they stand. */
  get written(): { lot: Lot; row: number }[] {
    return this.lots.map((lot, row) => ({ lot, row })).filter(({ lot }) => !isBlank(lot));
  }

  editLot(row: number, change: Partial<Lot>, group: string | null = null): void {
    this.edit({ lots: this.lots.map((l, i) => (i === row ? { ...l, ...change } : l)) }, group);
  }

  addLot(after: number, like?: Lot): void {
    const lots = [...this.lots];
    lots.splice(after + 1, 0, like ? { ...like } : emptyLot());
    this.edit({ lots });
  }

  removeLot(row: number): void {
    this.edit({ lots: this.lots.filter((_, i) => i !== row) });
  }

  /** What the planner is asked: every wish of this firing, and the rows that count. */
  get request(): PlanRequest {
    const {
      kind,
      goalCone,
      drying,
      bisque,
      approach,
      hold,
      cooling,
      holdMinutes,
      maxSteps,
      unit,
      name,
      kilnId
    } = this.body;
    const load = {
      lots: this.written.map(({ lot }) => lot),
      packed: this.body.packed,
      witnessPack: this.body.witnessPack
    };
    return {
      load,
      kind,
      goalCone,
      drying,
      bisque,
      approach,
      hold,
      cooling,
      holdMinutes,
      maxSteps,
      unit,
      name,
      kilnId
    };
  }

  protected override changed(): void {
    void this.ask();
    super.changed();
  }

  private async ask(): Promise<void> {
    this.askAgain = this.asking;
    if (this.asking) return;
    this.asking = true;
    try {
      do {
        this.askAgain = false;
        await this.askOnce();
      } while (this.askAgain);
    } catch (error) {
      this.trouble = sayProblem(error);
    } finally {
      this.asking = false;
    }
  }

  private async askOnce(): Promise<void> {
    const { body, written } = this;
    const [{ data, error }, summed] = await Promise.all([
      api.POST('/api/plan', { body: this.request }),
      api.POST('/api/plan/load', {
        body: {
          load: this.request.load,
          kind: body.kind,
          goalCone: body.goalCone,
          kilnId: body.kilnId
        }
      })
    ]);
    this.load = summed.data ?? null;
    if (!data) {
      this.plan = this.preview = null;
      this.planErrors = this.rows(fieldErrors(error as Problem), written);
      return;
    }
    const answer = await api.POST('/api/preview', {
      body: { schedule: data.schedule, load: this.request.load, kilnId: body.kilnId, start: body.startsAt }
    });
    if (this.preview) this.before = { hours: this.preview.totalMinutes / 60, top: this.preview.peak };
    this.planErrors = {};
    // The pack is that of the cone found just now.
    const found = data.load;
    this.load = summed.data ? { ...summed.data, pack: found.pack } : null;
    this.plan = data;
    this.preview = answer.data ?? null;
  }

  /** "load.lots[2].wall" of the rows that were sent, as a row of the page. */
  private rows(errors: Record<string, string>, sent: { row: number }[]): Record<string, string> {
    return Object.fromEntries(
      Object.entries(errors).map(([field, text]) => [
        field.replace(/^load\.lots\[(\d+)\]/, (_, i: string) => `lots[${sent[Number(i)]?.row ?? i}]`),
        text
      ])
    );
  }

  protected async send(body: FiringBody, version: number): Promise<Saved<FiringBody>> {
    const { data, error, response } = await api.PUT('/api/firings/{id}', {
      params: { path: { id: this.id } },
      headers: { 'If-Match': `"${version}"` },
      body
    });
    if (data) return { version: data.version, body: data.firing };
    const problem = error as Problem;
    if (response.status !== 412 || !problem.current) return { problem };
    const theirs = problem.current as Firing;
    return { theirs: { version: theirs.version, body: theirs.firing } };
  }
}
