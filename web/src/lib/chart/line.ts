import { line } from 'd3-shape';
import type { CurvePoint } from '$lib/api/client';
import type { Frame } from './frame';

export const path = (curve: readonly CurvePoint[], frame: Pick<Frame, 'x' | 'y'>): string =>
  line<CurvePoint>(
    (p) => frame.x(p.minute),
    (p) => frame.y(p.temperature)
  )
    // A point without a temperature breaks the line: nobody knows what was there.
    .defined((p) => !Number.isNaN(p.temperature))(curve as CurvePoint[]) ?? '';

/** The temperature a curve has at a minute, straight between its points; nothing outside them, and beside one that nobody knows. */
export function temperatureAt(curve: readonly CurvePoint[], minute: number): number | null {
  const last = curve.at(-1);
  if (!last || minute < 0 || minute > last.minute) return null;
  const next = curve.findIndex((p) => p.minute >= minute);
  const [a, b] = [curve[Math.max(0, next - 1)], curve[next]];
  if (!a || !b) return null;
  const span = b.minute - a.minute;
  const at =
    b.minute === minute || span <= 0
      ? b.temperature
      : a.temperature + ((b.temperature - a.temperature) * (minute - a.minute)) / span;
  return Number.isNaN(at) ? null : at;
}
