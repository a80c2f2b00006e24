import { api, type CurvePoint, type Finding } from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { acceptanceOf } from '$lib/findings';
import { degrees, duration } from '$lib/format';
import { toBody } from './draft';
import type { FiringPlace } from './firing-place.svelte';
import type { PreviewLoop } from './preview-loop.svelte';
import type { ScheduleDraft } from './schedule-draft.svelte';

/** What a fix would make of the firing, while somebody looks at its button. */
export class TriedFix {
  shown = $state.raw<{ curve: CurvePoint[]; change: string } | null>(null);

  private readonly latest = new Latest();
  private readonly draft: ScheduleDraft;
  private readonly place: FiringPlace;
  private readonly loop: PreviewLoop;

  constructor(draft: ScheduleDraft, place: FiringPlace, loop: PreviewLoop) {
    [this.draft, this.place, this.loop] = [draft, place, loop];
  }

  /** Shows it beside what is there, without doing it; nothing takes it away again. */
  look(fix: Finding['fix']): void {
    this.latest.stop();
    this.shown = null;
    if (!fix) return;
    const schedule = toBody(this.draft.withFix(fix));
    void this.latest.ask(
      (signal) => api.POST('/api/preview', { body: { schedule, ...this.place.asked }, signal }),
      ({ data }) => {
        const now = this.loop.preview;
        if (!data || !now) return;
        const longer = data.poweredMinutes - now.poweredMinutes;
        const left = data.findings.filter((f) => !acceptanceOf(f, this.place.accepted)).length;
        const parts = [
          Math.abs(longer) < 1
            ? 'as long'
            : `${duration(Math.abs(longer))} ${longer > 0 ? 'longer' : 'shorter'}`,
          `top ${degrees(data.peak, data.unit)}`,
          left ? `${left} left to look at` : 'nothing left to look at'
        ];
        this.shown = {
          curve: [...data.curve, ...(data.kiln?.cooling.slice(1) ?? [])],
          change: parts.join(', ')
        };
      }
    );
  }

  /** Puts the fix in its place; one step to undo. */
  take(fix: NonNullable<Finding['fix']>): void {
    this.draft.edit(this.draft.withFix(fix));
    this.look(null);
  }
}
