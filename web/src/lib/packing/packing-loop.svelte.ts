import {
  api,
  fieldErrors,
  sayProblem,
  type FiringBody,
  type KeptPiece,
  type Lot,
  type Packing,
  type PackingFirings,
  type PackingWish,
  type PlacedShelf,
  type Problem
} from '$lib/api/client';
import { Latest } from '$lib/api/latest';

/** A firing as far as packing goes: what is in it, and a way to say how it is to be packed. */
export interface Packable {
  readonly body: FiringBody;
  readonly written: readonly { lot: Lot; row: number }[];
  edit(change: Partial<FiringBody>): void;
}

/** True when room can be made for it: so many, so wide and so tall. */
export const hasSize = (lot: Lot) =>
  (lot.count ?? 0) > 0 &&
  (lot.piece?.across ?? 0) > 0 &&
  (lot.piece?.height ?? 0) > 0 &&
  (lot.piece?.shape !== 'rectangle' || (lot.piece.deep ?? 0) > 0);

export const isRaw = (kind: FiringBody['kind']) => kind === 'bisque' || kind === 'drying';

/** How the kiln is packed, asked again whenever the ware, the kiln or somebody's hand changes it. */
export class PackingLoop {
  packing: Packing | null = $state.raw(null);
  /** Messages by field, rows as they stand on the page. */
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);

  /** The glaze firings this bisque will need, once somebody asked. */
  glazes: PackingFirings | null = $state.raw(null);

  private asked: string | undefined;
  private readonly latest = new Latest();
  private readonly firing: Packable;

  constructor(firing: Packable) {
    this.firing = firing;
  }

  /** The lots that are packed: those with a size. */
  get rows(): readonly { lot: Lot; row: number }[] {
    return this.firing.written.filter(({ lot }) => hasSize(lot));
  }

  get lots(): Lot[] {
    return this.rows.map(({ lot }) => lot);
  }

  /** Pieces that break a rule, as shelf:piece. */
  get broken(): readonly string[] {
    return (this.packing?.broken ?? []).filter((b) => b.piece != null).map((b) => `${b.shelf}:${b.piece}`);
  }

  /** Raw ware may touch and be stacked. */
  get isRaw(): boolean {
    return isRaw(this.firing.body.kind);
  }

  get isBisque(): boolean {
    return this.firing.body.kind === 'bisque';
  }

  get wish(): PackingWish {
    return this.firing.body.packing ?? {};
  }

  /** What is asked; nothing while there is no kiln, or nothing with a size. */
  get question() {
    const { kilnId, kind, witnessPack } = this.firing.body;
    if (kilnId == null || this.rows.length === 0) return null;
    return {
      kind,
      kilnId,
      load: { lots: this.lots },
      handles: this.wish.handles,
      packs: witnessPack === true,
      keep: this.wish.keep
    };
  }

  /** Asks, unless the same was asked already. */
  ask(): Promise<void> {
    const [question, rows] = [this.question, this.rows];
    const same = JSON.stringify(question);
    if (question && same === this.asked && this.trouble === null) return Promise.resolve();
    [this.asked, this.glazes] = [same, null];
    if (!question) {
      this.latest.stop();
      [this.packing, this.errors, this.trouble] = [null, {}, null];
      return Promise.resolve();
    }
    return this.latest.ask(
      (signal) => api.POST('/api/packing', { body: question, signal }),
      ({ data, error }) => {
        this.trouble = null;
        this.errors = data
          ? {}
          : Object.fromEntries(
              Object.entries(fieldErrors(error as Problem)).map(([field, text]) => [
                field.replace(/^load\.lots\[(\d+)\]/, (_, i: string) => `lots[${rows[Number(i)]?.row ?? i}]`),
                text
              ])
            );
        if (data) this.packing = data;
      },
      (error) => (this.trouble = sayProblem(error))
    );
  }

  /** Packs the same ware again and again as glaze firings, until none is left. */
  async countGlazes(): Promise<void> {
    const { question } = this;
    if (!question) return;
    try {
      const { data, error } = await api.POST('/api/packing/firings', {
        body: { ...question, kind: 'glaze', keep: null }
      });
      if (data) this.glazes = data;
      else this.trouble = sayProblem(error);
    } catch (error) {
      this.trouble = sayProblem(error);
    }
  }

  /** What goes into each of them, by the rows of the page. */
  get glazeLoads(): { row: number; count: number }[][] {
    return (this.glazes?.firings ?? []).map((firing) =>
      firing.lots
        .filter((l) => l.placed > 0)
        .map((l) => ({ row: this.rows[l.lot]?.row ?? 0, count: l.placed }))
    );
  }

  /** A piece put somewhere else: everything else stays where it stands. */
  move(shelf: PlacedShelf, piece: number, x: number, y: number): void {
    const { packing } = this;
    if (!packing) return;
    const held = (this.wish.keep?.pieces ?? [])
      .filter((p) => p?.held)
      .map((p) => `${p?.shelf}:${p?.x}:${p?.y}`);
    const pieces: KeptPiece[] = packing.shelves.flatMap((s) =>
      s.pieces.map((p, i) => {
        const isThis = s.number === shelf.number && i === piece;
        return {
          shelf: s.number,
          lot: p.lot,
          x: isThis ? x : p.x,
          y: isThis ? y : p.y,
          turn: p.turn,
          stack: p.stack,
          held: isThis || held.includes(`${s.number}:${p.x}:${p.y}`)
        };
      })
    );
    this.keep(pieces);
  }

  /** Only what somebody put by hand stays; the rest is packed round it. */
  packTheRest(): void {
    this.keep((this.wish.keep?.pieces ?? []).filter((p) => p !== null).filter((p) => p.held));
  }

  /** As the packer would have it. */
  packAnew(): void {
    this.firing.edit({ packing: { ...this.wish, keep: null } });
  }

  turnHandles(turned: boolean): void {
    this.firing.edit({ packing: { handles: turned ? 'turned' : 'any', keep: null } });
  }

  private keep(pieces: KeptPiece[]): void {
    const openings = (this.packing?.shelves ?? []).slice(0, -1).map((s) => s.opening);
    this.firing.edit({ packing: { ...this.wish, keep: { openings, pieces } } });
  }
}
