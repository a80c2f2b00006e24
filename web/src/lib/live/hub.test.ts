import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

/** A connection that does what the test says. */
const wire = vi.hoisted(() => ({
  started: 0,
  refuses: 0,
  heard: (() => {}) as (id: number, live: unknown) => void,
  lost: () => {},
  back: () => {}
}));
vi.mock('@microsoft/signalr', () => {
  const connection = {
    on: (_what: string, heard: typeof wire.heard) => (wire.heard = heard),
    onreconnecting: (lost: () => void) => (wire.lost = lost),
    onreconnected: (back: () => void) => (wire.back = back),
    start: async () => {
      wire.started++;
      if (wire.refuses-- > 0) throw new Error('nobody there');
    }
  };
  const builder = {
    withUrl: () => builder,
    configureLogging: () => builder,
    withAutomaticReconnect: () => builder,
    build: () => connection
  };
  return {
    HubConnectionBuilder: function () {
      return builder;
    },
    LogLevel: { None: 6 }
  };
});

beforeEach(() => {
  vi.resetModules();
  vi.useFakeTimers();
  Object.assign(wire, { started: 0, refuses: 0 });
});
afterEach(() => vi.useRealTimers());

const fresh = async () => (await import('./hub.svelte')).hub;

describe('what the server tells', () => {
  it('is kept by firing, the latest of each', async () => {
    const hub = await fresh();
    await hub.open();
    wire.heard(3, { minute: 1 });
    wire.heard(4, { minute: 9 });
    wire.heard(3, { minute: 2 });
    expect(hub.told).toEqual({ 3: { minute: 2 }, 4: { minute: 9 } });
    expect(hub.heardAt).toBe(Date.now());
  });

  it('comes over one connection, however many pages ask', async () => {
    const hub = await fresh();
    await Promise.all([hub.open(), hub.open(), hub.open()]);
    expect(wire.started).toBe(1);
    expect(hub.connected).toBe(true);
  });

  it('is asked for again when it was away, by whoever still looks', async () => {
    const hub = await fresh();
    const [stays, leaves] = [vi.fn(), vi.fn()];
    hub.onback(stays);
    hub.onback(leaves)();
    await hub.open();
    wire.lost();
    expect(hub.connected).toBe(false);
    wire.back();
    expect(hub.connected).toBe(true);
    expect(stays).toHaveBeenCalledTimes(2);
    expect(leaves).not.toHaveBeenCalled();
  });

  it('is tried for until the program is there, ever more seldom', async () => {
    const hub = await fresh();
    wire.refuses = 3;
    await hub.open();
    expect(hub.connected).toBe(false);
    await vi.advanceTimersByTimeAsync(499);
    expect(wire.started).toBe(1);
    await vi.advanceTimersByTimeAsync(1 + 1000 + 2000);
    expect(wire.started).toBe(4);
    expect(hub.connected).toBe(true);
  });
});
