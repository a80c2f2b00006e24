import { api, sayProblem, type Preview, type Problem, type Segment, type Unit } from '$lib/api/client';
import { display } from '$lib/display.svelte';
import { emptyDraft, fromSegment } from './draft';
import { leaveForEditor } from './schedule-draft.svelte';

/** A schedule in shorthand, or a pasted table of one, while it is typed: its steps and what they come to. */
export class ShorthandLine {
  segments: Segment[] = $state.raw([]);
  preview: Preview | null = $state.raw(null);
  problem: Problem | null = $state.raw(null);
  /** It would read in °F, and does not in °C. */
  isFahrenheit = $state(false);
  private turn = 0;
  private line = '';

  /** °F once somebody said so; until then the studio's own. */
  private taken: Unit | null = null;

  private get unit(): Unit {
    return this.taken ?? display.unit;
  }

  /** Reads it, and what is typed from here on, in °F: each number stays as it was typed. */
  async takeFahrenheit(): Promise<void> {
    this.taken = 'F';
    await this.look(this.line);
  }

  /** True where the line is a schedule. */
  get isSchedule(): boolean {
    return this.segments.length > 0 && this.problem === null;
  }

  async look(line: string): Promise<void> {
    const turn = ++this.turn;
    this.line = line;
    if (!line.trim()) {
      [this.segments, this.preview, this.problem, this.isFahrenheit] = [[], null, null, false];
      return;
    }
    try {
      const parsed = await api.POST('/api/notation/parse', { body: { text: line, unit: this.unit } });
      if (turn !== this.turn) return;
      this.problem = parsed.data ? null : (parsed.error as Problem);
      this.segments = parsed.data?.segments ?? [];
      this.isFahrenheit = false;
      if (!parsed.data) {
        this.preview = null;
        if (this.unit === 'F') return;
        const other = await api.POST('/api/notation/parse', { body: { text: line, unit: 'F' } });
        if (turn === this.turn) this.isFahrenheit = other.data !== undefined;
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
