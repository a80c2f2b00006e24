import { api, sayProblem, type ControllerMemory, type Pressed, type Profile } from '$lib/api/client';

/** A controller running: keys go to it one after another, and it says what it would say. */
export class Machine {
  state: Pressed | null = $state.raw(null);
  trouble: string | null = $state(null);
  /** Every key pressed so far. */
  pressed: string[] = $state([]);

  private profile: Profile | null = null;
  private memory: ControllerMemory | null = null;
  private waiting: string[] = [];
  private busy = false;

  /** Another controller, or the same one as it stands. */
  async of(profile: Profile, memory: ControllerMemory | null = null): Promise<void> {
    this.profile = profile;
    this.memory = memory;
    this.waiting = [];
    this.pressed = [];
    await this.send([]);
  }

  /** Keys come quicker than answers: they wait in a row. */
  press(...keys: string[]): void {
    this.waiting.push(...keys);
    this.pressed = [...this.pressed, ...keys];
    void this.next();
  }

  get display(): string {
    return this.state?.display ?? '';
  }

  get done(): string[] {
    return (this.state?.memory.hands ?? []).filter((h) => h !== null);
  }

  private async next(): Promise<void> {
    if (this.busy || this.waiting.length === 0) return;
    this.busy = true;
    const keys = this.waiting;
    this.waiting = [];
    await this.send(keys);
    this.busy = false;
    void this.next();
  }

  private async send(keys: string[]): Promise<void> {
    const profile = this.profile;
    try {
      const { data, error } = await api.POST('/api/controllers/press', {
        body: { profile, memory: this.memory, keys }
      });
      // Somebody went on to another controller.
      if (profile !== this.profile) return;
      this.trouble = data ? null : sayProblem(error);
      if (!data) return;
      this.state = data;
      this.memory = data.memory;
    } catch (error) {
      this.trouble = sayProblem(error);
    }
  }
}
