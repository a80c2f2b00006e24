import { vi } from 'vitest';

/** Waits until what is expected is so. Patient, since the machine may be busy with other checks; it is as quick as the work is. */
export const until = (expected: () => void) => vi.waitFor(expected, { timeout: 30_000, interval: 5 });
