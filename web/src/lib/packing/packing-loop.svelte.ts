import {
  api,
  fieldErrors,
  sayProblem,
  type FiringBody,
  type KeptPiece,
  type Lot,
  type Packing,
  type PackingChoice,
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
  // What lies flat is as tall as its wall is thick.
  ((lot.piece?.height ?? 0) > 0 || (lot.piece?.stacking === 'flat' && (lot.wall ?? 0) > 0)) &&
  (lot.piece?.shape !== 'rectangle' || (lot.piece.deep ?? 0) > 0);

export const isRaw = (kind: FiringBody['kind']) => kind === 'bisque' || kind === 'drying';

/** The lowest opening taken; props make it what they come to. */
const lowest = 5;

/** How the kiln is packed, asked again whenever the ware, the kiln or somebody's hand changes it. */
export class PackingLoop {
  packing: Packing | null = $state.raw(null);
  /** Messages by field, rows as they stand on the page. */
  errors: Record<string, string> = $state.raw({});
  trouble: string | null = $state(null);

  /** The glaze firings this bisque will need, once somebody asked. */
  glazes: PackingFirings | null = $state.raw(null);
  counting = $state(false);

  /** What would take more, when not all of it goes in. */
  choices: readonly PackingChoice[] = $state.raw([]);
  /** An answer is on its way. */
  waiting = $state(false);

  private asked: string | undefined;
  private readonly latest = new Latest();
  private readonly looking = new Latest();
  private readonly firing: Packable;

  constructor(firing: Packable) {
    this.firing = firing;
  }

  /** The lots that are packed: those with a size. */
  get rows(): readonly { lot: Lot; row: number }[] {
    return this.firing.written.filter(({ lot }) => hasSize(lot));
  }

  /** Pieces for which no room can be made yet: nobody said how large they are. */
  get sizeless(): readonly { lot: Lot; row: number }[] {
    return this.firing.written.filter(({ lot }) => (lot.count ?? 0) > 0 && !hasSize(lot));
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
      shelves: this.wish.shelves,
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
    this.looking.stop();
    if (!question) {
      this.latest.stop();
      [this.packing, this.errors, this.trouble, this.choices, this.waiting] = [null, {}, null, [], false];
      return Promise.resolve();
    }
    this.waiting = true;
    return this.latest.ask(
      (signal) => api.POST('/api/packing', { body: question, signal }),
      ({ data, error }) => {
        [this.trouble, this.waiting] = [null, false];
        this.errors = data
          ? {}
          : Object.fromEntries(
              Object.entries(fieldErrors(error as Problem)).map(([field, text]) => [
                field.replace(/^load\.lots\[(\d+)\]/, (_, i: string) => `lots[${rows[Number(i)]?.row ?? i}]`),
                text
              ])
            );
        if (!data) return;
        this.packing = data;
        if (data.fits) this.choices = [];
        else void this.look(question);
      },
      (error) => ([this.trouble, this.waiting] = [sayProblem(error), false])
    );
  }

  /** Gives up what is being packed; what stood before stands. */
  stop(): void {
    this.latest.stop();
    this.waiting = false;
    this.trouble = 'Stopped. Change anything, and it is packed again.';
  }

  /** What would take more; it is packed as well, so it comes a moment later. */
  private look(question: NonNullable<typeof this.question>): Promise<void> {
    return this.looking.ask(
      (signal) => api.POST('/api/packing/choices', { body: question, signal }),
      ({ data }) => (this.choices = data?.choices ?? []),
      () => (this.choices = [])
    );
  }

  /** Does what a choice says. */
  choose(choice: PackingChoice): void {
    const wish = { ...this.wish, keep: null };
    switch (choice.kind) {
      case 'handles-turned':
        return this.firing.edit({ packing: { ...wish, handles: 'turned' } });
      case 'full-shelves':
        return this.firing.edit({ packing: { ...wish, shelves: 'full' } });
      case 'half-shelves':
        return this.firing.edit({ packing: { ...wish, shelves: 'half' } });
      case 'other-kiln':
        return this.firing.edit({ kilnId: choice.kilnId, packing: { ...wish, shelves: 'any' } });
      case 'tumbled':
    }
  }

  /** Packs the same ware again and again as glaze firings, until none is left. */
  async countGlazes(): Promise<void> {
    const { question } = this;
    if (!question || this.counting) return;
    this.counting = true;
    try {
      const { data, error } = await api.POST('/api/packing/firings', {
        body: { ...question, kind: 'glaze', keep: null }
      });
      if (data) this.glazes = data;
      else this.trouble = sayProblem(error);
    } catch (error) {
      this.trouble = sayProblem(error);
    } finally {
      this.counting = false;
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

  /** A piece put somewhere else, or turned: everything else stays where it stands. */
  move(shelf: number, piece: number, x: number, y: number, turn?: number): void {
    this.change(shelf, piece, (p) => ({ ...p, x, y, turn: turn ?? p.turn ?? 0, held: true }));
  }

  /** To another shelf, wherever there is room on it. */
  send(shelf: number, piece: number, to: number): void {
    this.change(shelf, piece, (p) => ({ ...p, shelf: to, x: null, y: null, turn: 0, held: true }));
  }

  /** It stays, whatever else is packed; or the packer may move it again. */
  hold(shelf: number, piece: number, held: boolean): void {
    this.change(shelf, piece, (p) => ({ ...p, held }));
  }

  /** All that stands on a shelf stays, or may be moved again. */
  holdShelf(shelf: number, held: boolean): void {
    this.keep(this.stands.map((p) => (p.shelf === shelf ? { ...p, held } : p)));
  }

  /** The shelf over or under this one, on the same side; nothing at the end. */
  next(shelf: PlacedShelf, up: boolean): PlacedShelf | undefined {
    const column = (this.packing?.shelves ?? []).filter(
      (s) => s.region === shelf.region && s.column === shelf.column
    );
    return column[column.findIndex((s) => s.number === shelf.number) + (up ? 1 : -1)];
  }

  /** Changes places with the shelf over or under it; each takes its opening with it, the topmost one what it needs. */
  swap(shelf: PlacedShelf, up: boolean): void {
    const other = this.next(shelf, up);
    if (!other) return;
    const [lower, upper] = up ? [shelf, other] : [other, shelf];
    const isTopmost = this.next(upper, true) === undefined;
    const openings = {
      [lower.number]: isTopmost ? Math.max(lowest, upper.needs ?? 0) : upper.opening,
      [upper.number]: lower.opening
    };
    const places: Record<number, number> = { [lower.number]: upper.number, [upper.number]: lower.number };
    this.keep(
      this.stands.map((p) => {
        const to = places[p.shelf ?? 0];
        return to === undefined ? p : { ...p, shelf: to, held: true };
      }),
      openings
    );
  }

  /** Another opening over a shelf; the shelves above move with it. */
  open(shelf: number, opening: number): void {
    this.keep(this.stands, { [shelf]: opening });
  }

  /** Only what somebody put by hand stays; the rest is packed round it. */
  packTheRest(): void {
    this.keep(this.stands.filter((p) => p.held));
  }

  /** As the packer would have it. */
  packAnew(): void {
    this.firing.edit({ packing: { ...this.wish, keep: null } });
  }

  turnHandles(turned: boolean): void {
    this.firing.edit({ packing: { ...this.wish, handles: turned ? 'turned' : 'any', keep: null } });
  }

  chooseShelves(shelves: PackingWish['shelves']): void {
    this.firing.edit({ packing: { ...this.wish, shelves, keep: null } });
  }

  /** Every piece where it stands now. */
  private get stands(): KeptPiece[] {
    return (this.packing?.shelves ?? []).flatMap((s) =>
      s.pieces.map((p) => ({
        shelf: s.number,
        lot: p.lot,
        x: p.x,
        y: p.y,
        turn: p.turn,
        stack: p.stack,
        held: p.held === true
      }))
    );
  }

  private change(shelf: number, piece: number, how: (p: KeptPiece) => KeptPiece): void {
    const before = (this.packing?.shelves ?? []).filter((s) => s.number < shelf);
    const at = before.reduce((sum, s) => sum + s.pieces.length, piece);
    this.keep(this.stands.map((p, i) => (i === at ? how(p) : p)));
  }

  /** Shows at once what is kept; the answer tells what it breaks. What goes to another shelf waits for its place there. */
  private show(pieces: readonly KeptPiece[]): void {
    const { packing } = this;
    const stood = this.stands;
    if (!packing || pieces.some((p, i) => p.x == null || p.shelf !== stood[i]?.shelf)) return;
    const rest = [...pieces];
    this.packing = {
      ...packing,
      shelves: packing.shelves.map((s) => ({
        ...s,
        pieces: rest.splice(0, s.pieces.length).map((p, i) => ({
          lot: p.lot ?? s.pieces[i]?.lot ?? 0,
          x: p.x ?? 0,
          y: p.y ?? 0,
          turn: p.turn ?? 0,
          stack: p.stack ?? 1,
          held: p.held
        }))
      }))
    };
  }

  private keep(pieces: KeptPiece[], openings: Readonly<Record<number, number>> = {}): void {
    const shelves = this.packing?.shelves ?? [];
    this.show(pieces);
    this.firing.edit({
      packing: {
        ...this.wish,
        keep: {
          openings: shelves.map((s) => openings[s.number] ?? s.opening),
          regions: shelves.map((s) => s.region),
          columns: shelves.map((s) => s.column ?? 1),
          pieces
        }
      }
    });
  }
}
