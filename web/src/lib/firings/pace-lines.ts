import type { PlanStep } from '$lib/api/client';

/** A line of the small chart: ware and kiln where they are known, the program on top. */
export interface PaceLine {
  kind: 'ware' | 'kiln' | 'asked';
  path: string;
}

/** How far above the program a limit is still drawn: what lies higher leaves the picture. */
const headroom = 1.8;

/**
 * What the ware stands, what the kiln can and what is asked over the temperatures of a step, as paths of a picture of so many units. A stretch without a limit leaves
 * a gap; a program at full power runs along the kiln's own line.
 */
export function paceLines(
  paces: PlanStep['paces'],
  asked: number | null,
  width: number,
  height: number
): PaceLine[] {
  const [first, last] = [paces[0], paces[paces.length - 1]];
  if (!first || !last || first.from === last.to) return [];
  const program = (pace: PlanStep['paces'][number]) => asked ?? pace.kiln ?? 0;
  const most = Math.max(1, ...paces.map((pace) => program(pace) * headroom));
  const x = (at: number) => ((at - first.from) / (last.to - first.from)) * width;
  const y = (rate: number) => height - 3 - (Math.min(rate, most) / most) * (height - 6);
  const draw = (rate: (pace: PlanStep['paces'][number]) => number | null) => {
    let path = '';
    let drawing = false;
    for (const pace of paces) {
      const value = rate(pace);
      if (value === null) {
        drawing = false;
        continue;
      }
      path += `${drawing ? 'L' : 'M'}${x(pace.from).toFixed(1)} ${y(value).toFixed(1)}L${x(pace.to).toFixed(1)} ${y(value).toFixed(1)}`;
      drawing = true;
    }
    return path;
  };
  const lines: PaceLine[] = [
    { kind: 'ware', path: draw((pace) => pace.ware) },
    { kind: 'kiln', path: draw((pace) => pace.kiln) },
    { kind: 'asked', path: draw(program) }
  ];
  return lines.filter((line) => line.path !== '');
}
