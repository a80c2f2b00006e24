import { device as browserDevice, type Device, type FoundCopy } from './device';
import type { Outcome, Stored } from './outcome';

/** Where what is typed stands: nowhere but here, on its way, or safe. */
export type SaveState<T> =
  | { kind: 'new' }
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'saving' }
  | { kind: 'fix'; text: string }
  | { kind: 'offline'; text: string }
  | { kind: 'conflict'; theirs: Stored<T> }
  | { kind: 'gone' };

/** How a save is sent: under a key of its own, and perhaps while the page is being left. */
export interface Sending {
  key: string;
  leaving: boolean;
}

/** The server's side of a draft. */
export interface Remote<T> {
  /** Names the thing among all local copies: "kiln.3", "kiln.new". */
  key: (id: number | null) => string;
  save: (id: number, version: number, body: T, sending: Sending) => Promise<Outcome<T>>;
  create?: (body: T, sending: Sending) => Promise<Outcome<T>>;
  /** True when a new one is saved by itself as soon as there is something in it. */
  createsItself?: boolean;
  /** Brings a deleted one back. */
  restore?: (id: number) => Promise<Stored<T> | null>;
  /** Two that say the same; their JSON, when missing. */
  same?: (a: T, b: T) => boolean;
  /** A body from this device or another tab, made fit for this page. */
  revive?: (body: T) => T;
  /** True while there is nothing in it that anybody would miss. */
  isUntouched?: (body: T) => boolean;
}

/** A draft to open: what the server has, and what was typed on this device and not acknowledged. */
export interface Opened<T> {
  stored: Stored<T> | null;
  copies: FoundCopy<T>[];
}

/** Looks on this device for what was typed and not acknowledged, then asks for what is stored. */
export async function openDraft<T>(
  key: string,
  fetch: () => Promise<Stored<T> | null>,
  device: Device = browserDevice()
): Promise<Opened<T>> {
  // In this order: a save still under way is then seen in the one or in the other.
  const copies = (await device.find(key)) as FoundCopy<T>[];
  return { stored: await fetch(), copies };
}
