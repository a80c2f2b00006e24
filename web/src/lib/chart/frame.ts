import { toUnit } from '$lib/units';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Unit } from '$lib/api/client';
import { display } from '$lib/display.svelte';
import { dayName, shortTime } from '$lib/format';
import { momentOf, wallOf } from '$lib/zoned';

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
  // By the clock on the studio's wall, so that a night with a change of hour keeps its round hours.
  const first = wallOf(new Date(start.getTime() + from * 60_000), display.zone);
  const hour = Number(first.time.slice(0, 2));
  const begin = step >= 24 ? 0 : step >= 1 ? Math.floor(hour / step) * step : hour;
  let wall = Date.parse(`${first.date}T00:00:00Z`) + begin * 3_600_000;
  for (let guard = 0; guard < 2000; guard++, wall += step * 3_600_000) {
    const [date = '', time = ''] = new Date(wall).toISOString().split(/[T]|:00\.000Z/);
    const at = new Date(momentOf({ date, time }, display.zone) ?? wall);
    const minute = (at.getTime() - start.getTime()) / 60_000;
    if (minute > end) break;
    const midnight = time === '00:00';
    if (minute >= from && minute > (ticks.at(-1)?.minute ?? -Infinity))
      ticks.push({ minute, text: midnight ? dayName(at) : shortTime(at), midnight });
  }
  return ticks;
}
