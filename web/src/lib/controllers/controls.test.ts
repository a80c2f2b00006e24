// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Fit, Keystroke, Profile } from '$lib/api/client';
import { Page } from '$lib/testing/page';
import { until } from '$lib/testing/until';
import { answering, type Asked } from '$lib/testing/wire';
import EntryCard from './EntryCard.svelte';
import { Machine } from './machine.svelte';
import Panel from './Panel.svelte';
import ReadBackCard from './ReadBackCard.svelte';
import { Setting } from './setting.svelte';

const profile = {
  name: 'Wedge',
  hands: ['lid'],
  ask: [
    { id: 'slot', label: 'page', entry: 'list', format: 'word', choices: ['Lamp white', 'Dry'] },
    { id: 'rate', label: 'pace #', entry: 'digits', format: 'whole', words: { full: '888', end: 'stop' } }
  ]
} as unknown as Profile;
const lines = [
  { question: null, keys: ['wipe', 'quit', 'open'], display: '' },
  { question: 'slot', keys: ['until Lamp white', 'take'], display: 'page Lamp white', step: null },
  { question: 'rate.1', keys: ['1', '0', 'take'], display: 'pace 1 10', step: 1, why: 'Two steps in one.' },
  { question: null, keys: ['hand lid'], display: 'ready' }
] as unknown as Keystroke[];

let page: Page | null = null;
beforeEach(() => {
  localStorage.clear();
  Element.prototype.scrollIntoView = vi.fn();
});
afterEach(() => {
  page?.close();
  page = null;
  vi.restoreAllMocks();
});

test('a card has a line a question with its value, its keys and why, and is ticked', () => {
  const ontick = vi.fn();
  page = new Page(EntryCard as never, { profile, lines, ticked: 1, ontick });
  expect(page.text('li:nth-child(2) .question')).toBe('page');
  expect(page.text('li:nth-child(2) .value'), 'also a word of two words').toBe('Lamp white');
  expect(page.text('li:nth-child(3) .why')).toBe('Two steps in one.');
  expect(page.text('li:nth-child(4) kbd')).toBe('Close the lid');
  expect(page.has('li:nth-child(1).done')).toBe(true);
  expect(page.has('li:nth-child(2).now')).toBe(true);
  page.press('Done: pace 1 10');
  expect(ontick).toHaveBeenLastCalledWith(2);
});

test('a panel has the keys its questions need, and what is done by hand', () => {
  const onkey = vi.fn();
  page = new Page(Panel as never, { profile, display: 'page Dry', onkey, lit: ['until Dry', 'take'] });
  expect(page.text('[data-testid=display]')).toBe('page Dry');
  page.press('7');
  page.press('take');
  page.press('Close the lid');
  expect(onkey.mock.calls).toEqual([['7'], ['take'], ['hand lid']]);
  expect(page.find('more').className, 'until is pressed with the arrows').toContain('lit');
  expect(page.has('[aria-label=dot]')).toBe(false);
});

test('keys pressed faster than the controller answers go to it in order', async () => {
  let free: () => void = () => {};
  const asked: Asked[] = answering(async ({ body }) => {
    const { keys, memory } = body as { keys: string[]; memory: { typed: string } | null };
    if (keys.length) await new Promise<void>((done) => (free = done));
    return {
      body: {
        display: '',
        state: 'ask',
        program: [],
        memory: { typed: (memory?.typed ?? '') + keys.join('') }
      }
    };
  });
  const machine = new Machine();
  await machine.of(profile);
  machine.press('1');
  machine.press('2');
  machine.press('3', '4');
  free();
  await until(() => expect(asked).toHaveLength(3));
  free();
  await until(() => expect(machine.state?.memory.typed).toBe('1234'));
});

test('a wrong value says what it should be, what it does and what probably happened; a right one is recorded', async () => {
  let back: unknown = {
    matches: false,
    missing: [],
    differences: [{ question: 'rate.1', wanted: '10', shown: '1', consequence: 'It takes 90 h longer.' }],
    slips: [
      {
        kind: 'digit-dropped',
        questions: ['rate.1'],
        text: 'pace 1 reads 1 for 10: one key left out.',
        probability: 0.9
      }
    ]
  };
  const asked = answering(({ path, method }) => {
    if (path.endsWith('/bank')) return { body: { slots: [], place: null } };
    if (path.endsWith('/entered')) return { body: method === 'GET' ? [] : { entered: {}, readBack: back } };
    if (path.endsWith('/read-back')) return { body: back };
    const program = [
      { question: 'slot', shown: 'Dry' },
      { question: 'rate.1', shown: '10' }
    ];
    return { body: { fits: 'exactly', code: 'KGGZ', program, keystrokes: lines } as unknown as Fit };
  });
  const setting = new Setting();
  await setting.of({ schedule: { name: 'x' } as never, kilnId: 1, controllerId: 2 });
  const onrecorded = vi.fn();
  page = new Page(ReadBackCard as never, { setting, profile, name: 'Oyster', onrecorded, onback: vi.fn() });
  expect(page.text('[data-testid=still-to-read]')).toBe('2 values still to read');
  page.type('page', 'Dry');
  page.type('pace 1', '1');
  await until(() => expect(page?.text('[data-testid=slip] p')).toContain('one key left out'));
  expect(page.text('li:nth-child(2) .said')).toBe('Should be 10. It takes 90 h longer.');
  page.press('That was it; read again');
  await until(() => expect(setting.shown).toEqual(['Dry', '']));
  expect(asked.findLast((a) => a.method === 'POST' && a.path.endsWith('/entered'))?.body).toMatchObject({
    slip: 'digit-dropped'
  });

  back = { matches: true, missing: [], differences: [], slips: [] };
  page.type('pace 1', '10');
  await until(() => expect(page?.has('[data-testid=record]')).toBe(true));
  page.press('Record “Oyster” as set');
  await until(() => expect(onrecorded).toHaveBeenCalled());
});
