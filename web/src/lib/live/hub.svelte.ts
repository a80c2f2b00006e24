import type { HubConnection } from '@microsoft/signalr';
import type { Live } from './types';

/** What the server tells of the firings under way, as it comes; one connection for all pages. */
class Hub {
  /** The latest of each firing. */
  told: Record<number, Live> = $state({});
  /** False while the network or the program is away. */
  connected = $state(false);
  /** When it was last heard of, ms. */
  heardAt = $state(0);

  #connection: HubConnection | null = null;
  #starting = false;
  #again: (() => void)[] = [];

  /** Connects, and goes on trying for as long as the page is open. */
  async open(): Promise<void> {
    if (this.#connection || this.#starting) return;
    this.#starting = true;
    const { HubConnectionBuilder, LogLevel } = await import('@microsoft/signalr');
    const connection = new HubConnectionBuilder()
      .withUrl('/live')
      .configureLogging(LogLevel.None)
      // Never gives up: a screen on a wall has nobody to press a button.
      .withAutomaticReconnect({
        nextRetryDelayInMilliseconds: (c) => Math.min(10_000, 500 * 2 ** Math.min(5, c.previousRetryCount))
      })
      .build();
    // A network that is away says nothing: what is not heard of for so long is gone.
    connection.serverTimeoutInMilliseconds = 8_000;
    connection.keepAliveIntervalInMilliseconds = 3_000;
    connection.on('told', (firingId: number, live: Live) => {
      this.told[firingId] = live;
      this.heardAt = Date.now();
    });
    connection.onreconnecting(() => (this.connected = false));
    connection.onreconnected(() => this.#isBack());
    this.#connection = connection;
    this.#starting = false;
    await this.#start();
  }

  /** Called whenever the connection is there again: what was missed is to be asked for. */
  onback(run: () => void): () => void {
    this.#again.push(run);
    return () => (this.#again = this.#again.filter((r) => r !== run));
  }

  async #start(wait = 500): Promise<void> {
    try {
      await this.#connection?.start();
      this.#isBack();
    } catch {
      setTimeout(() => void this.#start(Math.min(10_000, wait * 2)), wait);
    }
  }

  #isBack(): void {
    this.connected = true;
    this.heardAt = Date.now();
    for (const run of this.#again) run();
  }
}

export const hub = new Hub();
