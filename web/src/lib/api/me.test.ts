// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from './client';
import { me, type Me } from './me.svelte';

const person = (rights: string[], role: Me['role'] = 'firer'): Me => ({
  mode: 'shared',
  role,
  person: role === 'display' ? null : { id: 2, name: 'Kofi' },
  device: null,
  rights,
  idleUntil: null,
  endsAt: null,
  steppedUpUntil: null
});

const answer = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** What the program answers, to the client's own way and to what is sent once more. */
let heard: (request: Request) => Promise<Response> = async () => answer(200, {});
const answers = (way: typeof heard) => {
  heard = way;
  vi.stubGlobal('fetch', way);
};

afterEach(() => {
  vi.unstubAllGlobals();
  me.is(null);
  me.answered(false);
});

describe('what may be done here', () => {
  it('is everything alone, and what the program says in a shared studio', () => {
    me.is({ ...person([]), mode: 'alone' });
    expect(me.may('manage')).toBe(true);
    expect(me.isShared).toBe(false);
    me.is(person(['see', 'run:1']));
    expect([me.may('run:1'), me.may('run:2'), me.may('manage')]).toEqual([true, false, false]);
    expect(me.isShared).toBe(true);
  });
});

describe('a change that wants somebody', () => {
  it.each([
    [401, {}, 'name', person(['see'])],
    [403, { right: 'manage', stepUp: true }, 'password', person(['manage'])],
    [403, { right: 'note-reading' }, 'name', person(['see'], 'display')]
  ] as const)(
    '%s asks, and is sent once more when that was answered',
    async (status, problem, asked, who) => {
      me.is(who);
      me.touched();
      const sent: Request[] = [];
      answers(async (request: Request) => {
        sent.push(request);
        return sent.length === 1 ? answer(status, problem) : answer(200, { version: 2 });
      });
      const done = api.PUT('/api/studio', {
        body: { price: 0.3 } as never,
        baseUrl: 'http://studio.test/',
        fetch: heard
      });
      await vi.waitFor(() => expect(me.asking).toBe(asked));
      me.answered(true);
      expect((await done).response.status).toBe(200);
      expect(sent).toHaveLength(2);
      expect(await sent[1]?.text()).toContain('0.3');
    }
  );

  it('is given up where nobody answers, and says why', async () => {
    me.is(person(['see'], 'display'));
    me.touched();
    answers(async () => answer(403, { detail: 'Sign in for that.' }));
    const done = api.POST('/api/schedules', {
      body: {} as never,
      baseUrl: 'http://studio.test/',
      fetch: heard
    });
    await vi.waitFor(() => expect(me.asking).toBe('name'));
    me.answered(false);
    expect((await done).error).toMatchObject({ detail: 'Sign in for that.' });
  });

  it('asks nothing of what is only looked at, nor where a right is missing that no password gives', async () => {
    me.is(person(['see']));
    me.touched();
    answers(async () => answer(403, { right: 'manage' }));
    const looked = await api.GET('/api/network', { baseUrl: 'http://studio.test/', fetch: heard });
    const changed = await api.PUT('/api/studio', {
      body: {} as never,
      baseUrl: 'http://studio.test/',
      fetch: heard
    });
    expect([looked.response.status, changed.response.status, me.asking]).toEqual([403, 403, null]);
  });
});
