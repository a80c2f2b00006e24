// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { answering } from '$lib/testing/wire';
import { Saying } from './saying.svelte';

const answer = (text: string) => ({
  firing: { kind: 'bisque', lots: [{ what: 'mugs', count: 12, dryness: 'leather-hard' }], wishes: {} },
  read: [{ from: 0, to: 2, as: 'count', text: '12' }],
  unread: text.includes('purple') ? [{ from: text.indexOf('purple'), to: text.indexOf('purple') + 6 }] : [],
  asked: text.includes('wet')
    ? [
        {
          from: text.indexOf('wet'),
          to: text.indexOf('wet') + 3,
          about: 'dryness',
          text: 'How dry is it?',
          choices: [
            { label: 'leather hard', set: { '/lots/0/dryness': 'leather-hard' } },
            { label: 'damp', set: { '/lots/0/dryness': 'damp' } }
          ]
        }
      ]
    : []
});

const heard = () => {
  const sent: string[] = [];
  answering((asked) => {
    const { text } = asked.body as { text: string };
    sent.push(text);
    return text === 'trouble'
      ? { problem: { title: 'Please correct the marked fields.', detail: 'At most 4000.' }, status: 422 }
      : { body: answer(text) };
  });
  return sent;
};

afterEach(() => vi.restoreAllMocks());

it('reads what stands there, once, and asks what is open until it is answered', async () => {
  const sent = heard();
  const saying = new Saying();
  saying.write('12 m');
  saying.write('12 mugs wet');
  await saying.read();
  await saying.read();
  expect(sent).toEqual(['12 mugs wet']);
  expect(saying.saysAnything).toBe(true);
  const [ask] = saying.open;
  if (!ask?.choices[1]) throw new Error('nothing is asked');
  saying.answer(ask, ask.choices[1]);
  expect(saying.open).toEqual([]);
  expect(saying.firing?.lots[0]?.dryness).toBe('damp');
  // The answer outlives what is typed elsewhere.
  saying.write('12 mugs wet, purple');
  await saying.read();
  expect(saying.open).toEqual([]);
  expect(saying.firing?.lots[0]?.dryness).toBe('damp');
  expect(saying.unread).toEqual(['purple']);
});

it('forgets everything with the text, and says what the program says', async () => {
  heard();
  const saying = new Saying();
  saying.write('trouble');
  await saying.read();
  expect(saying.problem).toContain('At most 4000');
  saying.write('12 mugs');
  await saying.read();
  expect(saying.problem).toBeNull();
  saying.clear();
  expect([saying.text, saying.said, saying.saysAnything]).toEqual(['', null, false]);
});
