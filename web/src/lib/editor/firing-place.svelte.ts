import type { Acceptance } from '$lib/api/client';
import { FiringLink } from './firing-link.svelte';
import { keepKiln, recallKiln } from './chosen-kiln';

/** Where a schedule is to be fired, and with what: the kiln, how full, and the firing it was planned for. */
export class FiringPlace {
  /** Null is the plain kiln. */
  kilnId: number | null = $state(null);
  fill = $state(1);
  /** The firing it was planned for: its load is what the reviewer looks at. */
  firing = $state.raw<FiringLink | null>(null);

  private scheduleId: number | null;
  private readonly changed: () => void;

  constructor(scheduleId: number | null, changed: () => void) {
    [this.scheduleId, this.changed] = [scheduleId, changed];
    const chosen = recallKiln(scheduleId);
    if (chosen) [this.kilnId, this.fill] = [chosen.kilnId, chosen.fill];
    if (scheduleId !== null) void this.find(scheduleId, chosen === null);
  }

  /** The kiln and the load, as every question about this firing takes them. */
  get asked() {
    const load = this.firing?.loadIn(this.kilnId) ?? (this.kilnId === null ? null : { fill: this.fill });
    return { kilnId: this.kilnId, load };
  }

  /** Findings accepted for the firing this is for; null while it is for none. */
  get accepted(): Acceptance[] | null {
    return this.firing ? (this.firing.body.accepted ?? []).filter((a) => a !== null) : null;
  }

  choose(kilnId: number | null, fill = this.fill): void {
    [this.kilnId, this.fill] = [kilnId, fill];
    keepKiln(this.scheduleId, { kilnId, fill });
    this.changed();
  }

  /** The schedule was saved for the first time. */
  isFor(scheduleId: number): void {
    this.scheduleId = scheduleId;
    keepKiln(scheduleId, { kilnId: this.kilnId, fill: this.fill });
  }

  /** Looks for the firing this schedule is for; its kiln is this one's unless another was chosen here. */
  private async find(scheduleId: number, itsKiln: boolean): Promise<void> {
    const firing = await FiringLink.of(scheduleId).catch(() => null);
    if (!firing) return;
    this.firing = firing;
    if (itsKiln) this.kilnId = firing.body.kilnId ?? null;
    this.changed();
  }
}
