import { momentAt } from '$lib/format';
import type { FiringPlace } from './firing-place.svelte';

const pauseBeforeSaving = 700;

/** When the firing starts; or when what the anchor says happens. A firing it is planned for remembers it. */
export class StartTime {
  /** A moment, or nothing. */
  at: string | null = $state(null);
  anchor: 'start' | 'top' | 'open' = $state('start');

  private readonly place: FiringPlace;
  private readonly changed: () => void;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(place: FiringPlace, changed: () => void) {
    [this.place, this.changed] = [place, changed];
  }

  set(at: string | null, anchor: StartTime['anchor'] = this.anchor): void {
    [this.at, this.anchor] = [at, at ? anchor : 'start'];
    this.changed();
  }

  /** The firing was found: its start is this one's, unless another was said. */
  take(): void {
    const planned = this.place.firing?.body.startsAt;
    if (planned && this.at === null) this.at = momentAt(planned);
  }

  /** A start said here is said for the firing; one that follows from the anchor, too. */
  remember(startsAt: string | null): void {
    clearTimeout(this.timer);
    const firing = this.place.firing;
    const known = firing?.body.startsAt ?? null;
    const same = (known && Date.parse(known)) === (startsAt && Date.parse(startsAt));
    if (firing && !same)
      this.timer = setTimeout(() => void firing.change(() => ({ startsAt })), pauseBeforeSaving);
  }
}
