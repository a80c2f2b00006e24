const longest = 300;

/** Counts the steps back and forth, so that a field with the cursor in it shows what came back. */
export const stepped = $state({ count: 0 });

/**
 * Undo and redo of anything that is never changed in place. Edits of one group that follow each other (typing in one
 * field, one drag) are one step back.
 */
export class History<T> {
  current: T = $state.raw() as T;
  private past: T[] = $state.raw([]);
  private future: T[] = $state.raw([]);
  private group: string | null = null;

  constructor(first: T) {
    this.current = first;
  }

  get canUndo() {
    return this.past.length > 0;
  }

  get canRedo() {
    return this.future.length > 0;
  }

  /** Takes a new state; without a group it is always a step of its own. */
  push(next: T, group: string | null = null): void {
    if (group === null || group !== this.group) this.past = [...this.past.slice(-longest), this.current];
    this.group = group;
    this.future = [];
    this.current = next;
  }

  /** Takes a state that cannot be gone back from: what was just opened. */
  reset(first: T): void {
    this.current = first;
    this.past = [];
    this.future = [];
    this.group = null;
  }

  /** Ends a group, so that the next edit of the same field is a step of its own. */
  endGroup(): void {
    this.group = null;
  }

  undo(): boolean {
    const previous = this.past.at(-1);
    if (previous === undefined) return false;
    this.future = [...this.future, this.current];
    this.past = this.past.slice(0, -1);
    this.current = previous;
    this.group = null;
    stepped.count++;
    return true;
  }

  redo(): boolean {
    const next = this.future.at(-1);
    if (next === undefined) return false;
    this.past = [...this.past, this.current];
    this.future = this.future.slice(0, -1);
    this.current = next;
    this.group = null;
    stepped.count++;
    return true;
  }
}
