import type { Device } from './device';

interface Draft {
  abandon: () => void;
}

const living = new WeakMap<Device, Map<string, Draft>>();

/** The drafts of this page, by what they are of; opening one again takes it from whoever had it. */
export function openDraftsOn(device: Device): Map<string, Draft> {
  const drafts = living.get(device) ?? new Map<string, Draft>();
  living.set(device, drafts);
  return drafts;
}
