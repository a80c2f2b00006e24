import { expect, it } from 'vitest';
import { keyOf, pieces, put, type Ask, type Said, type SaidFiring } from './said';

const firing: SaidFiring = {
  name: null,
  kind: null,
  kilnId: null,
  goalCone: null,
  startsAt: null,
  readyBy: null,
  lots: [{ what: 'mugs', count: 12, wall: null, dryness: 'leather-hard', piece: null }],
  wishes: {}
} as unknown as SaidFiring;

const ask = (from: number, to: number, about: string): Ask => ({
  from,
  to,
  about,
  text: `${about}?`,
  choices: []
});

it('marks every stretch once, with a question about something missing where it stands', () => {
  const text = '12 mugs, wet purple';
  const said: Said = {
    firing,
    read: [
      { from: 0, to: 2, as: 'count', text: '12' },
      { from: 3, to: 7, as: 'what', text: 'mugs' }
    ],
    asked: [ask(9, 12, 'dryness'), ask(19, 19, 'kind')],
    unread: [{ from: 13, to: 19 }]
  };
  const all = pieces(text, said);
  expect(all.map((p) => p.text).join('')).toBe(text);
  expect(all.map((p) => `${p.what}:${p.text}`)).toEqual([
    'read:12',
    'plain: ',
    'read:mugs',
    'plain:, ',
    'asked:wet',
    'plain: ',
    'unread:purple',
    'asked:'
  ]);
});

it('puts an answer where its pointers say, and leaves what was said as it is', () => {
  const answered = put(firing, {
    label: 'damp',
    set: { '/lots/0/dryness': 'damp', '/lots/0/piece/height': 100, '/kind': 'bisque' }
  });
  expect(answered.kind).toBe('bisque');
  expect(answered.lots[0]).toMatchObject({ dryness: 'damp', piece: { height: 100 }, count: 12 });
  expect(firing.lots[0]?.dryness).toBe('leather-hard');
  expect(put(firing, { label: 'leave it out', set: {} })).toEqual(firing);
});

it('knows a question again while its words stay, wherever they stand', () => {
  const [before, after] = [ask(3, 6, 'dryness'), ask(8, 11, 'dryness')];
  expect(keyOf(before, '12 wet mugs', [before])).toBe(keyOf(after, '12 mugs wet', [after]));
  expect(keyOf(before, '12 dry mugs', [before])).not.toBe(keyOf(before, '12 wet mugs', [before]));
  const missing = [ask(5, 5, 'count'), ask(9, 9, 'count')] as const;
  expect(keyOf(missing[0], 'x', missing)).not.toBe(keyOf(missing[1], 'x', missing));
});
