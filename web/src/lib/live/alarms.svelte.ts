import { hub } from './hub.svelte';
import type { Alarm } from './types';

/** An alarm of one of the firings under way. */
export interface Ringing {
  firingId: number;
  alarm: Alarm;
}

const order = { danger: 3, warn: 2, ask: 1, note: 0 } as const;
const escalateAfter = 5 * 60_000;
const ringEvery = 20_000;
const afterPage = 2_000;

/** Alarms nobody has acknowledged, the gravest first. */
export function ringing(): Ringing[] {
  return Object.entries(hub.told)
    .flatMap(([id, live]) =>
      live.alarms
        .filter((a) => a.until === null && a.acknowledgedBy === null)
        .map((alarm) => ({ firingId: Number(id), alarm }))
    )
    .sort((a, b) => order[b.alarm.weight] - order[a.alarm.weight]);
}

/** The same alarm, whenever it is told again. */
export const keyOf = ({ firingId, alarm }: Ringing) => `${firingId}:${alarm.id}:${alarm.since}`;

/** Rings on this device: a tone, and a notification where it is allowed; louder and more often when nobody comes. */
class Bell {
  /** Whether the browser lets this page sound: only once somebody has touched it. */
  canSound = $state(false);
  /** Whether alarms are shown as notifications: granted, denied, still to be asked, or not to be had here. */
  notices: NotificationPermission | 'none' = $state(
    typeof Notification === 'undefined' ? 'none' : Notification.permission
  );
  #known: Record<string, number> = {};
  #context: AudioContext | null = null;
  #timer: ReturnType<typeof setInterval> | undefined;
  #latest: Ringing[] = [];

  /** Listens for alarms; from the first touch on it can sound. */
  open(): () => void {
    const touched = () => {
      this.#context ??= new AudioContext();
      void this.#context.resume().then(() => (this.canSound = true));
      leave();
    };
    const leave = () => {
      for (const what of ['pointerdown', 'keydown']) removeEventListener(what, touched);
    };
    for (const what of ['pointerdown', 'keydown']) addEventListener(what, touched);
    // After the page itself: nobody waits for the bell to see what they came for.
    const later = setTimeout(() => void hub.open(), afterPage);
    return () => {
      clearTimeout(later);
      leave();
      clearInterval(this.#timer);
    };
  }

  /** Asks whether alarms may be shown as notifications, also while another page is in front. */
  async askForNotices(): Promise<void> {
    this.notices = await Notification.requestPermission();
  }

  /** Looks at what rings; new ones are rung at once. */
  look(now: readonly Ringing[]): void {
    this.#latest = [...now];
    let fresh = false;
    for (const one of now) {
      if (keyOf(one) in this.#known) continue;
      this.#known[keyOf(one)] = Date.now();
      fresh = true;
      this.#notify(one);
    }
    if (fresh) this.#ring();
    if (now.length > 0) this.#timer ??= setInterval(() => this.#again(), ringEvery);
    else {
      clearInterval(this.#timer);
      this.#timer = undefined;
    }
  }

  /** How often a danger has to ring for it to be called escalated. */
  isEscalated(one: Ringing): boolean {
    const since = this.#known[keyOf(one)];
    return since !== undefined && Date.now() - since > escalateAfter;
  }

  #again(): void {
    // What only asks is rung again when it has been left for long; a danger every time.
    if (this.#latest.some((one) => one.alarm.weight === 'danger' || this.isEscalated(one))) this.#ring();
    for (const one of this.#latest) if (this.isEscalated(one)) this.#notify(one);
  }

  #ring(): void {
    const loud = this.#latest.some((one) => this.isEscalated(one) || one.alarm.weight === 'danger');
    // Before the first touch there is no sound to be had: the banner stays.
    if (!this.#context) return;
    try {
      const at = this.#context.currentTime;
      for (let i = 0; i < (loud ? 4 : 2); i++) {
        const [tone, volume] = [this.#context.createOscillator(), this.#context.createGain()];
        tone.frequency.value = i % 2 ? 660 : 880;
        volume.gain.setValueAtTime(loud ? 0.4 : 0.18, at + i * 0.28);
        volume.gain.exponentialRampToValueAtTime(0.001, at + i * 0.28 + 0.25);
        tone.connect(volume).connect(this.#context.destination);
        tone.start(at + i * 0.28);
        tone.stop(at + i * 0.28 + 0.26);
      }
    } catch {
      // No sound on this device: the banner stays.
    }
  }

  #notify({ alarm, firingId }: Ringing): void {
    if (this.notices !== 'granted') return;
    new Notification('Kiln', {
      body: alarm.text,
      tag: `${firingId}:${alarm.id}`,
      requireInteraction: alarm.weight === 'danger'
    });
  }
}

/** The one bell of this device. */
export const bell = new Bell();
