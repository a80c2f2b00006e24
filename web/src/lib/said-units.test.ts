import { describe, expect, it } from 'vitest';
import { saidOn } from './said-units';

const american = { unit: 'F', length: 'in', mass: 'lb' } as const;
const metric = { unit: 'C', length: 'mm', mass: 'kg' } as const;

describe('sentences of the program on the studio’s own scales', () => {
  it.each([
    ['Top: 1211 °C in “Third try”, 1262 °C in “Jars”.', 'Top: 2212 °F in “Third try”, 2304 °F in “Jars”.'],
    ['80 to 120 °C', '176 to 248 °F'],
    ['slow from 1040 to 850 °C for 3.5 h', 'slow from 1904 to 1562 °F for 3.5 h'],
    ['Body reduction begins at 850–950 °C.', 'Body reduction begins at 1562–1742 °F.'],
    [
      'fell 30.5 °C/h at full power, 62 °C under its target',
      'fell 54.9 °F/h at full power, 112 °F under its target'
    ],
    ['From 40 to 61 °C in 12 min', 'From 104 to 142 °F in 12 min'],
    ['At the end +5 °C of cone (−1 to 12).', 'At the end +9 °F of cone (−2 to 22).'],
    ['−3.6 °C of cone', '−6.5 °F of cone'],
    ['The display reads 3 °C too low (± 2 °C)', 'The display reads 5 °F too low (± 4 °F)'],
    ['after the top fall by 50 °C and hold there', 'after the top fall by 90 °F and hold there'],
    ['a hold 50 °C below the top', 'a hold 90 °F below the top'],
    ['next top +2 °C, hold 5 min longer', 'next top +4 °F, hold 5 min longer'],
    ['The last 100 °C at 60 °C/h at most', 'The last 180 °F at 108 °F/h at most'],
    [
      'Time for new elements: a full kiln climbs at less than 30 °C/h at 1222 °C.',
      'Time for new elements: a full kiln climbs at less than 54 °F/h at 2232 °F.'
    ],
    ['Opened at −20 °C', 'Opened at −4 °F'],
    ['12 °C across the wall at 573 °C going up', '22 °F across the wall at 1063 °F going up'],
    ['within 5 °C of the top', 'within 9 °F of the top'],
    ['7 planters need 19 mm more', '7 planters need 0.75 in more'],
    ['a wall of 6 to 8 mm, 30 cm across', 'a wall of 0.24 to 0.31 in, 11.81 in across'],
    ['25.3 kg ± 1.2, 43 kg of shelves', '55.78 lb ± 2.65, 94.8 lb of shelves'],
    ['3 cm² of flue', '3 cm² of flue']
  ])('%s', (text, expected) => {
    expect(saidOn(text, american)).toBe(expected);
    expect(saidOn(text, metric)).toBe(text);
  });

  it('leaves nothing of °C, whatever stands around it', () => {
    for (const head of ['', 'at ', 'by ', 'within ', '+', '−', '± '])
      for (const middle of ['0', '7.5', '650', '1 200', '20 to 120', '20–120'])
        for (const tail of ['', '/h', ' of cone', ' too hot', ', then', ' an hour'])
          expect(saidOn(`x ${head}${middle} °C${tail}`, american)).not.toMatch(/°C|NaN/);
  });
});
