import { api, sayProblem, type Preview, type Problem, type Segment, type Unit } from '$lib/api/client';
import { emptyDraft, fromSegment } from './draft';
import { leaveForEditor } from './schedule-draft.svelte';

/** A schedule in shorthand, or a pasted table of one, while it is typed: its steps and what they come to. */
export class ShorthandLine {
  segments: Segment[] = $state.raw([]);
  preview: Preview | null = $state.raw(null);
  problem: Problem | null = $state.raw(null);
  private turn = 0;

  constructor(private readonly unit: Unit) {}

  /** True where the line is a schedule. */
  get isSchedule(): boolean {
    return this.segments.length > 0 && this.problem === null;
  }

  async look(line: string): Promise<void> {
    const turn = ++this.turn;
    if (!line.trim()) {
      [this.segments, this.preview, this.problem] = [[], null, null];
      return;
    }
    try {
      const parsed = await api.POST('/api/notation/parse', { body: { text: line, unit: this.unit } });
      if (turn !== this.turn) return;
      this.problem = parsed.data ? null : (parsed.error as Problem);
      this.segments = parsed.data?.segments ?? [];
      if (!parsed.data) {
        this.preview = null;
        return;
      }
      const { segments } = parsed.data;
      const answer = await api.POST('/api/preview', {
        body: { schedule: { name: '', kind: 'glaze', unit: this.unit, segments } }
      });
      if (turn === this.turn && answer.data) this.preview = answer.data;
    } catch (error) {
      if (turn === this.turn) this.problem = { detail: sayProblem(error) };
    }
  }

  /** Left for the editor, where it gets its name. */
  leave(): void {
    leaveForEditor({ ...emptyDraft(this.unit), steps: this.segments.map(fromSegment) });
  }
}
