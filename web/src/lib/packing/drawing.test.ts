import { expect, test } from 'vitest';
import { shadesOf } from './maker-colours';
import { drawn, side } from './silhouette';
import { standOf } from './standing';

test('each maker has one shade, and unsigned lots one each', () => {
  const shades = shadesOf([{ whose: 'Maren' }, { whose: 'Tobin' }, { whose: 'Maren' }, {}, {}] as never);
  expect(shades[0]).toBe(shades[2]);
  expect(new Set(shades).size).toBe(4);
});

test('a piece has the usual numbers where nobody said, as the packer takes them', () => {
  expect(drawn({ across: 150, height: 70, stacking: 'nest' }).step).toBeCloseTo(24.5);
  expect(drawn({ across: 150, height: 30, stacking: 'nest' }).step).toBe(20);
  expect(drawn({ across: 260, height: 28, stacking: 'spacers' }).step).toBe(38);
  expect(drawn({ across: 85, height: 100, stacking: 'layers' }).step).toBe(100);
  expect(drawn({ shape: 'rectangle', across: 90, height: 8 }).deep).toBe(90);
});

test('plates, bowls, mugs and vases look like what they are', () => {
  const of = (across: number, height: number) => side(drawn({ across, height }), 0, 0);
  const paths = [of(260, 28), of(150, 70), of(85, 100), of(80, 240)];
  expect(new Set(paths.map((p) => p.replace(/[-\d.]+/g, ''))).size).toBe(4);
  expect(of(85, 100)).toContain('-100');
});

test('a handle that may point anywhere points to the middle, body and handle within the room they have', () => {
  const mug = drawn({ across: 85, height: 100, handle: 35 });
  const stands = standOf({ x: 200, y: 0, turn: 0 }, mug, false, false);
  expect(stands.turn).toBeCloseTo(-180);
  expect(stands.x).toBeCloseTo(217.5);
  expect(standOf({ x: 200, y: 0, turn: 30 }, mug, true, false)).toEqual({ x: 200, y: 0, turn: 30 });
});
