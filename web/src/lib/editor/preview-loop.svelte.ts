import { api, fieldErrors, sayProblem, type Preview, type Problem } from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { acceptanceOf } from '$lib/findings';
import { toBody } from './draft';
import type { FiringPlace } from './firing-place.svelte';
import type { ScheduleDraft } from './schedule-draft.svelte';
import type { StartTime } from './start-time.svelte';

/** What the server makes of a schedule as it stands, asked anew after every change. */
export class PreviewLoop {
  preview: Preview | null = $state.raw(null);
  /** Why the picture is not of what is written now, when the question failed. */
  failed: string | null = $state(null);
  /** Two temperatures whose time apart is wanted. */
  between: { from: number; to: number } | null = $state.raw(null);

  private wrong: Record<string, string> = $state.raw({});
  private readonly draft: ScheduleDraft;
  private readonly place: FiringPlace;
  private readonly start: StartTime;
  private readonly latest = new Latest();

  constructor(draft: ScheduleDraft, place: FiringPlace, start: StartTime) {
    [this.draft, this.place, this.start] = [draft, place, start];
  }

  /** Messages by field, as the server names them: "segments[2].rate". Rows that are blank do not count. */
  get errors(): Record<string, string> {
    return { ...this.draft.errors, ...this.wrong };
  }

  /** When it is switched on, once that is known. */
  get startsAt(): string | null {
    return (this.start.at ? this.preview?.startsAt : null) ?? null;
  }

  /** How many findings nobody has accepted. */
  get openFindings(): number {
    return (this.preview?.findings ?? []).filter((f) => !acceptanceOf(f, this.place.accepted)).length;
  }

  ask(): Promise<void> {
    const schedule = toBody(this.draft.body);
    if (!schedule.segments?.length) {
      this.latest.stop();
      this.preview = this.failed = null;
      this.wrong = {};
      return Promise.resolve();
    }
    return this.latest.ask(
      (signal) =>
        api.POST('/api/preview', {
          body: {
            schedule,
            ...this.place.asked,
            start: this.start.at,
            anchor: this.start.anchor,
            between: this.between ? [this.between] : null
          },
          signal
        }),
      ({ data, error, response }) => {
        if (data) {
          [this.preview, this.failed, this.wrong] = [data, null, {}];
          this.start.remember(data.startsAt ?? null);
        } else if ((error as Problem).errors?.['kilnId']) {
          // The kiln was deleted since: the plain one is better than no answer.
          this.place.choose(null);
        } else {
          this.wrong = fieldErrors(error as Problem, 'schedule.');
          this.failed = response.status === 422 ? null : sayProblem(error);
        }
      },
      (error) => (this.failed = sayProblem(error))
    );
  }

  stop(): void {
    this.latest.stop();
  }
}
