// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { answering } from '$lib/testing/wire';
import { KilnDraft, openKiln } from './kiln-draft.svelte';

const body = { name: 'Plover', class: 'top-190', power: 9600, volume: 190 } as const;
const server = () =>
  answering(({ method, path, body: sent }) =>
    path === '/api/kilns/portrait'
      ? { body: { points: [] } }
      : { body: { id: 7, version: method === 'GET' ? 3 : 4, updatedAt: '', kiln: sent ?? body } }
  );

afterEach(() => {
  vi.restoreAllMocks();
  localStorage.clear();
});

it('adds no kiln around a field that is no number, and does once it is one', async () => {
  const asked = server();
  const draft = new KilnDraft({ name: '', class: 'top-190' }, await openKiln(null));
  draft.edit({ name: 'Plover' }, 'name');
  draft.misread('power', 'A number is expected here, in W.');
  expect(await draft.create()).toBeNull();
  expect(draft.state).toEqual({ kind: 'fix', text: 'A number is expected here, in W.' });
  expect(draft.messages['power']).toContain('in W');
  expect(asked.some((a) => a.path === '/api/kilns')).toBe(false);
  draft.misread('power', null);
  draft.edit({ power: 9600 }, 'power');
  expect(await draft.create()).toBe(7);
  expect(asked.find((a) => a.path === '/api/kilns')?.body).toMatchObject({ name: 'Plover', power: 9600 });
});

it('never says saved over a field that is no number', async () => {
  server();
  const draft = new KilnDraft({ name: '', class: null }, await openKiln(7));
  expect(draft.state.kind).toBe('saved');
  draft.misread('volume', 'A number is expected here, in L.');
  expect(draft.state.kind).toBe('fix');
  // Another field goes on being typed: still nothing is called saved.
  draft.edit({ power: 9000 }, 'power');
  await draft.save();
  expect(draft.state.kind).toBe('fix');
  draft.misread('volume', null);
  await draft.save();
  expect(draft.state.kind).toBe('saved');
});
