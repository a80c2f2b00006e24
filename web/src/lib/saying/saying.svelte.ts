import { api, sayProblem, type FiringBody } from '$lib/api/client';
import { Latest } from '$lib/api/latest';
import { keyOf, put, type Ask, type Choice, type Said, type SaidFiring } from './said';

const nowAsIso = () => new Date(Date.now()).toISOString();

/** A sentence while it is typed: what the program makes of it, what it asks, and what was answered. */
export class Saying {
  text = $state('');
  /** What was made of `heard`. */
  said: Said | null = $state.raw(null);
  heard = $state('');
  problem: string | null = $state(null);
  private answers: Record<string, Choice> = $state({});
  private readonly latest = new Latest();
  private waiting: ReturnType<typeof setTimeout> | undefined;

  write(text: string): void {
    this.text = text;
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => void this.read(), 120);
  }

  /** Reads what stands there now; nothing to wait for where it was read already. */
  async read(): Promise<void> {
    clearTimeout(this.waiting);
    const text = this.text;
    if (!text.trim()) {
      this.latest.stop();
      [this.said, this.heard, this.problem, this.answers] = [null, '', null, {}];
      return;
    }
    if (text === this.heard && this.said) return;
    await this.latest.ask(
      async (signal) => await api.POST('/api/say', { body: { text, now: nowAsIso() }, signal }),
      ({ data, error }) => {
        this.problem = data ? null : sayProblem(error);
        if (data) [this.said, this.heard] = [data, text];
      },
      (error) => (this.problem = sayProblem(error))
    );
  }

  answerOf(ask: Ask): Choice | undefined {
    return this.said ? this.answers[keyOf(ask, this.heard, this.said.asked)] : undefined;
  }

  answer(ask: Ask, choice: Choice): void {
    if (this.said) this.answers[keyOf(ask, this.heard, this.said.asked)] = choice;
  }

  /** Questions nobody answered yet. */
  get open(): Ask[] {
    return this.said?.asked.filter((ask) => !this.answerOf(ask)) ?? [];
  }

  /** The firing, with the answers in it. */
  get firing(): SaidFiring | null {
    if (!this.said) return null;
    return this.said.asked.reduce((firing, ask) => {
      const choice = this.answerOf(ask);
      return choice ? put(firing, choice) : firing;
    }, this.said.firing);
  }

  /** True where the words say anything of a firing. */
  get saysAnything(): boolean {
    return this.said?.read.some((r) => r.as !== 'words') === true;
  }

  /** What was not understood, as it was typed. */
  get unread(): string[] {
    return this.said?.unread.map((u) => this.heard.slice(u.from, u.to)) ?? [];
  }

  clear(): void {
    this.text = '';
    void this.read();
  }
}

/** The firing as it is added, and when it is to be open. */
export async function written(
  firing: SaidFiring
): Promise<{ firing: FiringBody; openBy: string | null; cheap: boolean }> {
  const { data, error } = await api.POST('/api/say/written', { body: { firing } });
  if (!data) throw error;
  return { firing: data.firing, openBy: data.openBy ?? null, cheap: data.cheap };
}
