import { api, type Firing, type FiringBody, type Lot, type Problem } from '$lib/api/client';

/** The firing a schedule in the editor is for: its load, and what the editor writes back to it. */
export class FiringLink {
  stored: Firing = $state.raw({} as Firing);
  private saving: Promise<unknown> = Promise.resolve();

  constructor(stored: Firing) {
    this.stored = stored;
  }

  /** The firing a schedule was last opened for, or none. */
  static async of(scheduleId: number): Promise<FiringLink | null> {
    const { data } = await api.GET('/api/schedules/{id}/firing', { params: { path: { id: scheduleId } } });
    return data?.firing ? new FiringLink(data) : null;
  }

  get id(): number {
    return this.stored.id;
  }

  get body(): FiringBody {
    return this.stored.firing;
  }

  /** What stands in a kiln, ware and shelves: in the firing’s own as every stage of it has them, in another the ware alone. Nothing while no row is whole. */
  loadIn(kilnId: number | null) {
    const lots = (this.body.lots ?? []).filter((l): l is Lot => !!l?.count && !!l.wall);
    if (lots.length === 0) return null;
    if (kilnId === (this.body.kilnId ?? null)) return { firingId: this.id };
    return { lots, packed: this.body.packed, witnessPack: this.body.witnessPack };
  }

  /** Changes it in the store, one change after the other; made again on top of somebody else's. */
  change(make: (body: FiringBody) => Partial<FiringBody>): Promise<Problem | null> {
    const done = this.saving.then(() => this.send(make));
    this.saving = done;
    return done;
  }

  private async send(make: (body: FiringBody) => Partial<FiringBody>, again = true): Promise<Problem | null> {
    const { data, error, response } = await api.PUT('/api/firings/{id}', {
      params: { path: { id: this.id } },
      headers: { 'If-Match': `"${this.stored.version}"` },
      body: { ...this.body, ...make(this.body) }
    });
    if (data) this.stored = data;
    else if (response.status === 412 && again && (error as Problem).current) {
      this.stored = (error as Problem).current as Firing;
      return this.send(make, false);
    }
    return data ? null : (error as Problem);
  }
}
