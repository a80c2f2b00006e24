import { describe, expect, it } from 'vitest';
import { readLength, readMass, readQuantity, sayLength, sayMass } from './measure';

const value = (reading: ReturnType<typeof readLength>) =>
  'value' in reading ? reading.value : reading.error;

describe('lengths', () => {
  it.each([
    ['6', 'mm', 6],
    ['6 mm', 'in', 6],
    ['0.6 cm', 'mm', 6],
    ['3/8 in', 'mm', 9.525],
    ['3/8', 'in', 9.525],
    ['1 3/8 in', 'mm', 34.925],
    ['1-3/8"', 'mm', 34.925],
    ['.25 in', 'mm', 6.35],
    ['10', 'in', 254],
    ['', 'mm', null]
  ] as const)('%s typed where the unit is %s', (text, unit, mm) => {
    const read = value(readLength(text, unit));
    if (mm === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(mm, 9);
  });
  it.each(['thick', '3/0 in', '6 km', '-3', '1/2/3', 'in'])('no length: %s', (text) =>
    expect(readLength(text, 'mm')).toHaveProperty('error')
  );
  it('says what it reads', () => {
    expect(sayLength(9.525, 'mm')).toBe('9.5');
    expect(sayLength(9.525, 'in')).toBe('0.38');
    expect(sayLength(6, 'mm')).toBe('6');
  });
});

describe('weights', () => {
  it.each([
    ['0.6', 'kg', 0.6],
    ['600 g', 'lb', 0.6],
    ['1', 'lb', 0.45359237],
    ['1 lb 4 oz', 'kg', 0.5669904625],
    ['20 oz', 'kg', 0.5669904625],
    ['1 1/2 lb', 'kg', 0.680388555],
    ['', 'kg', null]
  ] as const)('%s typed where the unit is %s', (text, unit, kg) => {
    const read = value(readMass(text, unit));
    if (kg === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(kg, 9);
  });
  it.each(['heavy', 'lb', '1 st', '-1 kg'])('no weight: %s', (text) =>
    expect(readMass(text, 'kg')).toHaveProperty('error')
  );
  it('says what it reads', () => {
    expect(sayMass(0.5669904625, 'lb')).toBe('1.25');
    expect(sayMass(0.6, 'kg')).toBe('0.6');
  });
});

it.each([
  ['9600', 'W', 9600],
  ['9.6 kW', 'W', 9600],
  ['9,6 kw', 'W', 9600],
  ['175 l', 'L', 175],
  ['7 cu ft', 'L', 198.218],
  ['2300 F', '°C', 1260],
  ['1260 °C', '°F', 2300],
  ['4 1/2 in', 'mm', 114.3],
  ['500 ft', 'm', 152.4],
  ['240 V', 'V', 240],
  ['300 mbar', 'bar', 0.3],
  ['-10', '°C', -10],
  ['−5', '°C', -5]
])('%s in %s', (text, unit, value) => expect(readQuantity(text, unit)).toEqual({ value }));
it.each([
  ['', 'W'],
  ['many', 'W'],
  ['9.6 kV', 'W'],
  ['175 kg', 'L'],
  ['1,2,3', '%']
])('no number of its unit: %s in %s', (text, unit) =>
  expect(readQuantity(text, unit)).toHaveProperty('error')
);
