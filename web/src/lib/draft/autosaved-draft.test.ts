// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AutosavedDraft } from './autosaved-draft.svelte';
import { openDraft } from './remote';
import { FakeDisk, FakeServer, FakeTab, type Network, type Text } from './fake-studio';

let server: FakeServer;
let disk: FakeDisk;
let tabs = 0;

beforeEach(() => {
  vi.useFakeTimers();
  server = new FakeServer();
  disk = new FakeDisk();
});
afterEach(() => vi.useRealTimers());

const newTab = () => new FakeTab(disk, `tab${++tabs}`);

async function open(id: number, tab = newTab()) {
  const opened = await openDraft<Text>(`text.${id}`, () => Promise.resolve(server.stored(id)), tab);
  return new AutosavedDraft(server.remote, { text: '' }, opened, tab);
}

async function openNew(tab = newTab()) {
  const opened = await openDraft<Text>('text.new', () => Promise.resolve(null), tab);
  return new AutosavedDraft(server.remote, { text: '' }, opened, tab);
}

/** Types a text letter by letter. */
async function type(draft: AutosavedDraft<Text>, text: string, between = 120) {
  for (let n = 1; n <= text.length; n++) {
    draft.edit({ text: text.slice(0, n) }, 'text');
    await vi.advanceTimersByTimeAsync(between);
  }
}

const settle = (ms = 120_000) => vi.advanceTimersByTimeAsync(ms);
const network = (change: Partial<Network>) => () => ({
  there: 10,
  back: 10,
  fails: 'no' as const,
  ...change
});

/** Always the same numbers, so that a failure can be looked at again. */
function dice(seed: number) {
  let state = seed;
  return () => (state = (state * 1664525 + 1013904223) % 4294967296) / 4294967296;
}

describe('the last thing typed is what is stored', () => {
  it.each([0, 50, 699, 701, 3_000, 10_000])('with answers that take %i ms', async (ms) => {
    server.add(1, 'before');
    server.network = network({ there: ms / 2, back: ms / 2 });
    const draft = await open(1);
    await type(draft, 'a slow save loses nothing, however long it takes');
    await settle();
    expect(server.stored(1).body.text).toBe('a slow save loses nothing, however long it takes');
    expect(draft.state.kind).toBe('saved');
    expect(server.mostUnderWay).toBe(1);
    expect(disk.slots.size).toBe(0);
  });

  it('whatever the network does, two hundred times over', async () => {
    for (let seed = 1; seed <= 200; seed++) {
      [server, disk] = [new FakeServer(), new FakeDisk()];
      const throwDice = dice(seed);
      server.add(1, 'before');
      let bad = true;
      server.network = () => ({
        there: throwDice() * 5_000,
        back: throwDice() * 5_000,
        fails: bad && throwDice() < 0.4 ? (throwDice() < 0.5 ? 'before' : 'after') : 'no'
      });
      const draft = await open(1);
      for (let word = 0; word < 12; word++) {
        draft.edit({ text: `${seed}: ${word}` });
        if (throwDice() < 0.15) draft.undo();
        if (throwDice() < 0.1) void draft.save();
        await vi.advanceTimersByTimeAsync(throwDice() * 4_000);
      }
      const last = draft.body.text;
      bad = false;
      await settle();
      expect([seed, server.stored(1).body.text, draft.state.kind]).toEqual([seed, last, 'saved']);
      expect(server.mostUnderWay).toBe(1);
    }
  });

  it('when the network is away for a minute, and it says so', async () => {
    server.add(1, 'before');
    const draft = await open(1);
    server.network = network({ fails: 'before' });
    await type(draft, 'offline');
    await settle(60_000);
    expect(draft.state.kind).toBe('offline');
    expect([...disk.slots.values()][0]?.body).toEqual({ text: 'offline' });
    server.network = network({});
    window.dispatchEvent(new Event('online'));
    await settle(100);
    expect(server.stored(1).body.text).toBe('offline');
    expect(draft.state.kind).toBe('saved');
  });

  it('and waits longer each time, but never for ever', async () => {
    server.add(1, 'before');
    let tries = 0;
    server.network = () => (tries++, { there: 0, back: 0, fails: 'before' });
    const draft = await open(1);
    draft.edit({ text: 'x' });
    await settle(60_000);
    expect(tries).toBeGreaterThan(3);
    expect(tries).toBeLessThan(8);
    server.network = network({});
    await settle(31_000);
    expect(server.stored(1).body.text).toBe('x');
  });

  it('when the answer to a save is lost: it is known as its own', async () => {
    server.add(1, 'before');
    const draft = await open(1);
    server.network = network({ fails: 'after' });
    draft.edit({ text: 'stored, but nobody was told' });
    await settle(1_000);
    expect(server.stored(1).body.text).toBe('stored, but nobody was told');
    draft.edit({ text: 'and more' });
    server.network = network({});
    await settle();
    expect(server.stored(1).body.text).toBe('and more');
    expect(draft.state.kind).toBe('saved');
  });

  it('when a tab is closed and opened again', async () => {
    server.add(1, 'before');
    const tab = newTab();
    const draft = await open(1, tab);
    server.network = network({ fails: 'before' });
    await type(draft, 'typed before the tab was closed');
    tab.crash();
    server.network = network({});
    const again = await open(1);
    expect(again.body.text).toBe('typed before the tab was closed');
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('typed before the tab was closed');
    again.undo();
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('before');
    expect(disk.slots.size).toBe(0);
  });

  it('when the tab was closed while a save was under way', async () => {
    server.add(1, 'before');
    const tab = newTab();
    const draft = await open(1, tab);
    server.network = network({ there: 100, back: 5_000 });
    draft.edit({ text: 'first' });
    await settle(1_000);
    draft.edit({ text: 'second' });
    tab.crash();
    server.network = network({});
    const again = await open(1);
    await settle(2_000);
    expect(again.body.text).toBe('second');
    expect(server.stored(1).body.text).toBe('second');
    expect(again.state.kind).toBe('saved');
  });

  it('when a page is left and opened again while a save is under way', async () => {
    server.add(1, 'before');
    const tab = newTab();
    const draft = await open(1, tab);
    server.network = network({ there: 3_000, back: 3_000 });
    draft.edit({ text: 'one' });
    await settle(1_000);
    draft.edit({ text: 'two' });
    draft.close();
    await settle(500);
    const again = await open(1, tab);
    expect(again.body.text).toBe('two');
    again.edit({ text: 'three' });
    await settle();
    expect(server.stored(1).body.text).toBe('three');
    expect(again.state.kind).toBe('saved');
  });

  it('in two tabs, one after the other', async () => {
    server.add(1, 'before');
    const [one, other] = [await open(1), await open(1)];
    await type(one, 'here');
    await settle(2_000);
    expect(other.body.text).toBe('here');
    await type(other, 'there');
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('there');
    expect([one.body.text, one.state.kind, other.state.kind]).toEqual(['there', 'saved', 'saved']);
  });

  it('in two tabs at once it is asked which, and both are still there', async () => {
    server.add(1, 'before');
    const [one, other] = [await open(1), await open(1)];
    one.edit({ text: 'mine' });
    other.edit({ text: 'theirs' });
    await settle(2_000);
    const asked = [one, other].find((d) => d.state.kind === 'conflict');
    const first = asked === one ? 'theirs' : 'mine';
    expect(server.stored(1).body.text).toBe(first);
    expect(asked?.state).toMatchObject({ theirs: { body: { text: first } } });
    asked?.settle('mine');
    await settle(2_000);
    expect(server.stored(1).body.text).toBe(first === 'mine' ? 'theirs' : 'mine');
  });
});

describe('a new one', () => {
  it('is made once, however often the answer is lost', async () => {
    const draft = await openNew();
    server.network = network({ fails: 'after' });
    await type(draft, 'a new thing');
    await settle(20_000);
    server.network = network({});
    await settle();
    expect(server.rows.size).toBe(1);
    expect(server.stored(1).body.text).toBe('a new thing');
    expect([draft.id, draft.state.kind]).toEqual([1, 'saved']);
  });

  it('is not made of nothing, and goes on from where the tab was closed', async () => {
    const tab = newTab();
    const draft = await openNew(tab);
    draft.edit({ text: '' });
    await settle(5_000);
    expect(server.rows.size).toBe(0);
    server.network = network({ fails: 'before' });
    draft.edit({ text: 'half a wor' });
    tab.crash();
    server.network = network({});
    const again = await openNew();
    expect(again.body.text).toBe('half a wor');
    await settle(3_000);
    expect(server.stored(1).body.text).toBe('half a wor');
  });
});

describe('at a conflict', () => {
  async function conflict() {
    server.add(1, 'before');
    const draft = await open(1);
    server.other(1, 'theirs');
    draft.edit({ text: 'mine' });
    await settle(2_000);
    expect(draft.state.kind).toBe('conflict');
    expect(server.stored(1).body.text).toBe('theirs');
    return draft;
  }

  it('nothing is sent until it is settled, and what is typed is kept', async () => {
    const draft = await conflict();
    draft.edit({ text: 'mine and more' });
    await settle();
    expect(server.stored(1).body.text).toBe('theirs');
    expect([...disk.slots.values()][0]?.body).toEqual({ text: 'mine and more' });
  });

  it('theirs can be taken, and mine is one undo away', async () => {
    const draft = await conflict();
    draft.settle('theirs');
    await settle(2_000);
    expect([draft.body.text, draft.state.kind]).toEqual(['theirs', 'saved']);
    draft.undo();
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('mine');
  });

  it('mine can be kept, and theirs is one undo away', async () => {
    const draft = await conflict();
    draft.settle('mine');
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('mine');
    draft.undo();
    await settle(2_000);
    expect(server.stored(1).body.text).toBe('theirs');
  });

  it('is none when both say the same', async () => {
    server.add(1, 'before');
    const draft = await open(1);
    server.other(1, 'the same');
    draft.edit({ text: 'the same' });
    await settle(2_000);
    expect(draft.state.kind).toBe('saved');
  });

  it('is found after a tab was closed, too', async () => {
    server.add(1, 'before');
    const tab = newTab();
    const draft = await open(1, tab);
    server.network = network({ fails: 'before' });
    draft.edit({ text: 'mine' });
    await settle(1_000);
    tab.crash();
    server.network = network({});
    server.other(1, 'theirs');
    const again = await open(1);
    await settle(2_000);
    expect(again.state.kind).toBe('conflict');
    expect(again.body.text).toBe('mine');
  });
});

it('says what is wrong at its field, keeps the text, and saves once it is fixed', async () => {
  server.add(1, 'before');
  const draft = await open(1);
  draft.edit({ text: 'loud!' });
  await settle(2_000);
  expect(draft.state).toEqual({ kind: 'fix', text: 'No shouting.' });
  expect(draft.errors).toEqual({ text: 'No shouting.' });
  expect([...disk.slots.values()][0]?.body).toEqual({ text: 'loud!' });
  draft.edit({ text: 'quiet' });
  await settle(2_000);
  expect([server.stored(1).body.text, draft.errors]).toEqual(['quiet', {}]);
  draft.edit({ text: 'loud again!' });
  await settle(2_000);
  draft.undo();
  expect([draft.state.kind, draft.errors]).toEqual(['saved', {}]);
});

it.each(['undone', 'typed over'])('what is refused too late, already %s, is no trouble', async (how) => {
  server.add(1, 'before');
  server.network = network({ there: 2_000, back: 2_000 });
  const draft = await open(1);
  draft.edit({ text: 'loud!' });
  await settle(1_000);
  expect(draft.state.kind).toBe('saving');
  if (how === 'undone') draft.undo();
  else draft.edit({ text: 'quiet' });
  await settle(20_000);
  expect([draft.state.kind, draft.errors]).toEqual(['saved', {}]);
  expect(server.stored(1).body.text).toBe(how === 'undone' ? 'before' : 'quiet');
});

it('says when it was deleted somewhere else, and can bring it back', async () => {
  server.add(1, 'before');
  const draft = await open(1);
  server.rows.delete(1);
  draft.edit({ text: 'still here' });
  await settle(2_000);
  expect(draft.state.kind).toBe('gone');
  await draft.bringBack();
  await settle(2_000);
  expect(server.stored(1).body.text).toBe('still here');
});
