import { toUnit } from '$lib/units';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Unit } from '$lib/api/client';
import { dayName, shortTime } from '$lib/format';

/** The ground a firing is drawn on: scales and ticks, worked out from the size and the longest, hottest line. */
export interface Frame {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  low: number;
  high: number;
}

export interface TimeTick {
  minute: number;
  text: string;
  midnight: boolean;
}

export function makeFrame(
  width: number,
  height: number,
  minutes: number,
  peak: number,
  lowest: number,
  unit: Unit
): Frame {
  const [left, right, top, bottom] = [46, 14, 16, 26];
  const low = Math.min(toUnit(0, unit), lowest);
  // Room above the top for its label; never so little range that a drying firing looks like a glaze firing.
  const high = Math.max(peak + (peak - low) * 0.11, toUnit(240, unit));
  return {
    width,
    height,
    left,
    right,
    top,
    bottom,
    low,
    high,
    x: scaleLinear()
      .domain([0, Math.max(minutes, 30)])
      .range([left, width - right]),
    y: scaleLinear()
      .domain([low, high])
      .range([height - bottom, top])
  };
}

export const temperatureTicks = (frame: Frame) =>
  frame.y.ticks(Math.max(3, Math.floor(frame.height / 52))).filter((t) => t > frame.low);

const niceHours = [0.25, 0.5, 1, 2, 3, 4, 6, 12, 24, 48, 96, 168];

function stepHours(frame: Frame): number {
  const [from, to] = frame.x.domain();
  const hours = ((to ?? 60) - (from ?? 0)) / 60;
  const wanted = hours / Math.max(2, (frame.width - frame.left) / 78);
  return niceHours.find((h) => h >= wanted) ?? Math.ceil(wanted / 168) * 168;
}

/** Elapsed hours, or clock times at round hours of the day once a start is chosen. */
export function timeTicks(frame: Frame, start: Date | null): TimeTick[] {
  const [from = 0, end = 0] = frame.x.domain();
  const step = stepHours(frame);
  const ticks: TimeTick[] = [];
  if (!start) {
    for (let h = Math.ceil(from / 60 / step) * step; h * 60 <= end; h += step)
      ticks.push({ minute: h * 60, text: `${h} h`, midnight: false });
    return ticks;
  }
  const at = new Date(start.getTime() + from * 60_000);
  at.setMinutes(0, 0, 0);
  if (step >= 1) at.setHours(step >= 24 ? 0 : Math.floor(at.getHours() / step) * step);
  for (let guard = 0; guard < 2000; guard++) {
    const minute = (at.getTime() - start.getTime()) / 60_000;
    if (minute > end) break;
    const midnight = at.getHours() === 0 && at.getMinutes() === 0;
    if (minute >= from) ticks.push({ minute, text: midnight ? dayName(at) : shortTime(at), midnight });
    // By the clock on the wall, so that a night with a change of hour keeps its round hours.
    if (step >= 1) at.setHours(at.getHours() + step);
    else at.setMinutes(at.getMinutes() + step * 60);
  }
  return ticks;
}
