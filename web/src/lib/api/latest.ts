/** Questions of which only the newest counts: asking again gives up the one under way. */
export class Latest {
  private underWay: AbortController | null = null;

  /** Asks, and takes the answer unless something newer was asked; what fails for another reason goes to `failed`. */
  async ask<A>(
    question: (signal: AbortSignal) => Promise<A>,
    take: (answer: A) => void,
    failed: (error: unknown) => void = () => {}
  ): Promise<void> {
    this.underWay?.abort();
    const mine = (this.underWay = new AbortController());
    try {
      const answer = await question(mine.signal);
      if (!mine.signal.aborted) take(answer);
    } catch (error) {
      if (!mine.signal.aborted) failed(error);
    } finally {
      if (this.underWay === mine) this.underWay = null;
    }
  }

  /** Gives up what is under way. */
  stop(): void {
    this.underWay?.abort();
  }
}
