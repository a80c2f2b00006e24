import { api, fieldErrors, sayProblem, type FiringBody, type Problem, type WhatIf } from '$lib/api/client';
import { laterBy } from '$lib/format';
import type { FiringDraft } from './firing-draft.svelte';

const asItIs = { thickerMm: 0, wetter: 0, coolerCones: 0, laterHours: 0 };
export type Changes = typeof asItIs;
const drynesses = ['bone-dry', 'cool-to-touch', 'damp', 'leather-hard'] as const;

/** Small what-ifs about a plan, and what the planner says of them; the firing stays as it is. */
export class WhatIfs {
  changes: Changes = $state.raw(asItIs);
  answer: WhatIf | null = $state.raw(null);
  /** Why it cannot be planned so. */
  refusal: string | null = $state.raw(null);

  private readonly draft: FiringDraft;
  private asked = 0;

  constructor(draft: FiringDraft) {
    this.draft = draft;
  }

  get any(): boolean {
    return Object.values(this.changes).some((d) => d !== 0);
  }

  change(change: Partial<Changes>): void {
    this.changes = { ...this.changes, ...change };
    void this.ask();
  }

  /** Asks again; only the answer to the last question counts. */
  async ask(): Promise<void> {
    const asked = ++this.asked;
    if (!this.any) {
      this.answer = this.refusal = null;
      return;
    }
    try {
      const { data, error } = await api.POST('/api/plan/what-if', {
        body: { plan: this.draft.request, ...this.changes, start: this.draft.body.startsAt }
      });
      if (asked !== this.asked) return;
      this.answer = data ?? null;
      this.refusal = data ? null : (Object.values(fieldErrors(error as Problem))[0] ?? sayProblem(error));
    } catch (error) {
      if (asked === this.asked) this.refusal = sayProblem(error);
    }
  }

  /** The changes become the firing: one step to undo. */
  take(): void {
    const { thickerMm, wetter, coolerCones, laterHours } = this.changes;
    const { draft } = this;
    const change: Partial<FiringBody> = {};
    if (thickerMm || wetter)
      change.lots = draft.lots.map((lot) => ({
        ...lot,
        wall: lot.wall == null ? null : Math.max(1, lot.wall + thickerMm),
        dryness:
          drynesses[Math.min(3, Math.max(0, drynesses.indexOf(lot.dryness ?? 'bone-dry') + wetter))] ?? null
      }));
    if (coolerCones && this.answer) change.goalCone = this.answer.plan.schedule.goalCone ?? null;
    if (laterHours && draft.body.startsAt) change.startsAt = laterBy(draft.body.startsAt, laterHours);
    this.changes = asItIs;
    this.answer = this.refusal = null;
    draft.edit(change);
  }
}
