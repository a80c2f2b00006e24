import type { GlazeBody } from '$lib/api/client';
import { number } from '$lib/format';
import { heatOf } from '$lib/scales';

/** "cones 5 to 7", "cone 6", "cones not known". */
export function cones(range: { coneFrom?: string | null; coneTo?: string | null }): string {
  const [from, to] = [range.coneFrom ?? range.coneTo, range.coneTo ?? range.coneFrom];
  if (!from) return 'cones not known';
  return from === to ? `cone ${from}` : `cones ${from} to ${to}`;
}

/** What a glaze wants, each with a comma before it: ", runs, slow from 1040 to 850 °C for 3.5 h". */
export function habits(glaze: GlazeBody): string {
  const words = [
    glaze.runny && 'runs',
    glaze.needsHold && 'wants a hold',
    glaze.fades && 'fades when held',
    glaze.wantsFastCooling && 'wants to cool fast',
    glaze.slowHours &&
      `slow from ${heatOf(glaze.slowFrom ?? 0, glaze.unit ?? 'C').replace(/ .*/, '')} to ${heatOf(glaze.slowTo ?? 0, glaze.unit ?? 'C').replace(' ', '\u00a0')} for ${number(glaze.slowHours)}\u00a0h`
  ].filter(Boolean);
  return words.map((w) => `, ${w}`).join('');
}
