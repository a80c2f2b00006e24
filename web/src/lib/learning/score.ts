import { api } from '$lib/api/client';
import type { components } from '$lib/api/schema';
import { display } from '$lib/display.svelte';
import { duration, number } from '$lib/format';
import { apartBy, heat, weight } from '$lib/scales';

export type ScoreFigure = components['schemas']['KilnScoreFigure'];
export type Foretold = components['schemas']['ForetoldContract'];
type Number = Pick<Foretold['numbers'][number], 'unit'>;

export const scoreOf = (id: number) => ({
  queryKey: ['score', id],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/kilns/{id}/score', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }
});

export const foretoldOf = (id: number) => ({
  queryKey: ['foretold', id],
  queryFn: async () => {
    const { data, error } = await api.GET('/api/firings/{id}/foretold', { params: { path: { id } } });
    if (!data) throw error;
    return data;
  }
});

/** A number foretold or come, on the studio's own scales. */
export function sayForetold({ unit }: Number, value: number): string {
  switch (unit) {
    case 'h':
      return duration(value * 60);
    case 'kWh':
      return `${number(value, 0)} kWh`;
    case 'kg':
      return weight(value);
    default:
      return heat(value);
  }
}

/** By how much what came differs from what was foretold: "+25 min", "−4 °C", "0 kWh". */
export function sayOff({ unit }: Number, off: number): string {
  const by = Math.abs(off);
  const said =
    unit === 'h'
      ? by < 1
        ? `${number(by * 60, 0)} min`
        : duration(by * 60)
      : unit === 'kWh'
        ? `${number(by, 0)} kWh`
        : unit === 'kg'
          ? weight(by)
          : apartBy(by);
  return /[1-9]/.test(said) ? `${off > 0 ? '+' : '−'}${said}` : said;
}

export interface Slot {
  key: string;
  firingId: number;
  /** 0 … 1 across the chart. */
  at: number;
  /** What was foretold counts as 0. */
  low: number;
  high: number;
  came: number;
  isInside: boolean;
  title: string;
}

/** The points of a figure side by side, the earliest first; several shelves of a firing share its place. */
export function slots(figure: ScoreFigure): Slot[] {
  const firings = [...new Set(figure.points.map((p) => p.firingId))];
  return figure.points.map((p) => {
    const together = figure.points.filter((other) => other.firingId === p.firingId);
    const place = (together.indexOf(p) + 1) / (together.length + 1);
    return {
      key: `${p.firingId} ${p.shelf ?? ''}`,
      firingId: p.firingId,
      at: (firings.indexOf(p.firingId) + place) / firings.length,
      low: p.from - p.likely,
      high: p.to - p.likely,
      came: p.came - p.likely,
      isInside: p.isInside,
      title: `${p.name}${p.shelf ? `, ${p.shelf}` : ''}: foretold ${sayForetold(figure, p.from)} to ${sayForetold(figure, p.to)}, came ${sayForetold(figure, p.came)}`
    };
  });
}

/** Half the height of the chart, in what the figure is counted in: every band, and what came, but for what lies so far off that nothing else would be seen. */
export function reach(all: readonly Slot[]): number {
  const bands = all.map((s) => Math.max(-s.low, s.high)).sort((a, b) => a - b);
  const usual = bands[Math.floor(bands.length / 2)] ?? 1;
  const most = Math.max(1e-6, ...bands, ...all.map((s) => Math.abs(s.came)));
  return Math.min(most, usual * 3) * 1.1;
}

/** "±2 h", a round number a little inside the reach, to read the chart by. */
export function mark(unit: string, most: number): { value: number; text: string } {
  const scale = unit === 'h' ? (most < 1 ? 60 : 1) : unit.startsWith('°C') && display.unit === 'F' ? 1.8 : 1;
  const shown = most * scale * 0.75;
  const power = 10 ** Math.floor(Math.log10(shown));
  const round = [5, 2, 1].map((s) => s * power).find((s) => s <= shown) ?? power;
  return { value: round / scale, text: sayOff({ unit }, round / scale) };
}
