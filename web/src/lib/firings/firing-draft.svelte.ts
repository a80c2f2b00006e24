import {
  api,
  fieldErrors,
  sayProblem,
  type FiringBody,
  type LoadSummary,
  type Lot,
  type Plan,
  type PlanRequest,
  type Preview,
  type Problem
} from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { AutosavedDraft } from '$lib/draft/autosaved-draft.svelte';
import type { Opened } from '$lib/draft/remote';
import { PackingLoop } from '$lib/packing';
import { remote } from './firing-remote';
import { isBlank } from './lot';

export { openFiring } from './firing-remote';

/** A way on where the planner says no, as it stands beside the problem: which rows of those sent to leave out, what kind to plan instead, or that it is meant. */
export interface WayOn {
  id: string;
  text: string;
  kind: FiringBody['kind'];
  without: number[];
  anyway: boolean;
  cooling: FiringBody['cooling'];
}

export const emptyLot = (): Lot => ({ what: '', count: null, wall: null, dryness: 'bone-dry', glazeIds: [] });

/** What is wished for, under the same names in a firing and in what the planner is asked. */
const wishes = [
  'kind',
  'goalCone',
  'drying',
  'bisque',
  'goal',
  'pace',
  'approach',
  'hold',
  'cooling',
  'air',
  'dropBy',
  'holdMinutes',
  'unit',
  'name',
  'kilnId',
  'anyway'
] as const satisfies (keyof FiringBody & keyof PlanRequest)[];

/** What decides where a piece stands. */
const sizes = (lots: FiringBody['lots']) => JSON.stringify(lots?.map((lot) => [lot?.count, lot?.piece]));

/** One firing: its load and wishes, and what the planner and the reviewer make of them. */
export class FiringDraft extends AutosavedDraft<FiringBody> {
  plan: Plan | null = $state.raw(null);
  preview: Preview | null = $state.raw(null);
  /** What follows from the load, planned or not. */
  load: LoadSummary | null = $state.raw(null);
  /** Messages of the planner by field; rows are numbered as they stand on the page. */
  planErrors: Record<string, string> = $state.raw({});
  /** What to ask instead where the planner says no. */
  ways: WayOn[] = $state.raw([]);
  /** What the plan took before the last change, to show the difference. */
  before: { hours: number; top: number } | null = $state.raw(null);

  /** Why there is no newer plan, when the program did not answer. */
  trouble: string | null = $state(null);

  /** How the kiln is packed. */
  readonly packer = new PackingLoop(this);

  private readonly latest = new Latest();

  constructor(opened: Opened<FiringBody>) {
    super(remote, {} as FiringBody, opened);
    void this.ask();
    void this.pack();
  }

  get lots(): Lot[] {
    return (this.body.lots ?? []).filter((l) => l !== null);
  }

  /** The rows that count, with where they stand. */
  get written(): { lot: Lot; row: number }[] {
    return this.lots.map((lot, row) => ({ lot, row })).filter(({ lot }) => !isBlank(lot));
  }

  editLot(row: number, change: Partial<Lot>, group: string | null = null): void {
    const lots = this.lots.map((l, i) => (i === row ? { ...l, ...change } : l));
    this.edit({ lots }, group);
  }

  /** The sizes ware of this name had last, where nothing is said of them yet. */
  async fillUsual(row: number): Promise<void> {
    const isSized = (lot: Lot | undefined) => lot?.piece?.across != null || lot?.piece?.height != null;
    const asked = this.lots[row]?.what?.trim();
    if (!asked || isSized(this.lots[row])) return;
    try {
      const { data } = await api.GET('/api/lots/usual', { params: { query: { what: asked } } });
      const [usual, lot] = [data?.lots[0], this.lots[row]];
      // Somebody may have gone on writing meanwhile.
      if (!usual || lot?.what?.trim() !== asked || isSized(lot)) return;
      const { piece, wall, width, pieceKg, typed } = usual;
      const unsaid = (['wall', 'width', 'pieceKg'] as const).filter((field) => lot[field] == null);
      const filled = unsaid.map((field) => [field, { wall, width, pieceKg }[field]] as const);
      const asTyped = unsaid.flatMap((field) => (typed?.[field] ? [[field, typed[field]] as const] : []));
      this.editLot(row, {
        piece,
        ...Object.fromEntries(filled),
        typed: asTyped.length ? { ...lot.typed, ...Object.fromEntries(asTyped) } : lot.typed
      });
    } catch {
      // A help only: without it the sizes are typed.
    }
  }

  addLot(after: number, like?: Lot): void {
    const lots = [...this.lots];
    lots.splice(after + 1, 0, like ? { ...like } : emptyLot());
    this.edit({ lots });
  }

  /** Several lots at once, and what else was said with them; one step to undo. */
  addSaid({ lots, ...said }: Partial<FiringBody>): void {
    this.edit({ ...said, ...(lots ? { lots: [...this.lots.filter((lot) => !isBlank(lot)), ...lots] } : {}) });
  }

  removeLot(row: number): void {
    this.edit({ lots: this.lots.filter((_, i) => i !== row) });
  }

  /** Asks for what the planner offers instead; one step to undo. */
  take(way: WayOn): void {
    const rows = way.without.map((i) => this.written[i]?.row);
    this.edit({
      ...(way.kind ? { kind: way.kind } : {}),
      ...(rows.length ? { lots: this.lots.filter((_, row) => !rows.includes(row)) } : {}),
      ...(way.anyway ? { anyway: true } : {}),
      ...(way.cooling ? { cooling: way.cooling } : {})
    });
  }

  /** With other ware, or in another kiln, nothing stays where it stood. */
  override edit(change: Partial<FiringBody>, group: string | null = null): void {
    const { packing } = this.body;
    const moves =
      'kilnId' in change ||
      'kind' in change ||
      ('lots' in change && sizes(change.lots) !== sizes(this.body.lots));
    const unkept =
      packing?.keep && moves && !('packing' in change) ? { packing: { ...packing, keep: null } } : {};
    super.edit({ ...change, ...unkept }, group);
  }

  /** What the planner is asked: every wish of this firing, and the rows that count. */
  get request(): PlanRequest {
    const load = {
      lots: this.written.map(({ lot }) => lot),
      packed: this.body.packed,
      furnitureKg: this.furnitureKg,
      witnessPack: this.body.witnessPack
    };
    const said = Object.fromEntries(wishes.map((wish) => [wish, this.body[wish]]));
    return { load, ...said } as PlanRequest;
  }

  protected override changed(): void {
    void this.ask();
    void this.pack();
    super.changed();
  }

  /** What the planner and the packer mind, by field. */
  get messages(): Record<string, string> {
    return { ...this.packer.errors, ...this.planErrors };
  }

  /** kg of shelves and props, once all of the ware is packed on them; until then the planner takes the usual. */
  private get furnitureKg(): number | undefined {
    const { packing, rows } = this.packer;
    return packing?.fits && rows.length === this.written.length ? packing.totals.furnitureKg : undefined;
  }

  /** Packs anew; what the shelves weigh changes the plan. */
  private async pack(): Promise<void> {
    const before = this.furnitureKg;
    await this.packer.ask();
    if (this.furnitureKg !== before) await this.ask(false);
  }

  /** The plan as things stand now; an older question is given up. What the packer adds is no change somebody made. */
  private ask(isChange = true): Promise<void> {
    const { request, written } = this;
    return this.latest.ask(
      (signal) => api.POST('/api/plan', { body: { ...request, start: this.body.startsAt }, signal }),
      ({ data, error }) => {
        this.trouble = null;
        const problem = error as (Problem & { load?: LoadSummary; ways?: WayOn[] }) | undefined;
        this.planErrors = data ? {} : this.rows(fieldErrors(problem), written);
        this.ways = data ? [] : (problem?.ways ?? []);
        this.load = data?.load ?? problem?.load ?? null;
        if (data && this.preview && isChange)
          this.before = { hours: this.preview.totalMinutes / 60, top: this.preview.peak };
        this.plan = data ?? null;
        this.preview = data?.preview ?? null;
      },
      (error) => (this.trouble = sayProblem(error))
    );
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
}
