import type { components } from '$lib/api/schema';
import { number } from '$lib/format';

type Schemas = components['schemas'];
export type Turn = Schemas['TurnContract'];
export type Air = Schemas['AirContract'];
export type FuelUse = Schemas['FuelUseContract'];
export type FiringTurns = Schemas['FiringTurnsContract'];
export type Setting = Schemas['SettingContract'];
/** What a gauge and its burners are like. */
export type Gauge = Pick<FiringTurns['hands'], 'burners' | 'mark'>;
export type AirBand = Air['band'];

/** What people call the air. */
export const airNames: Record<AirBand, string> = {
  oxidising: 'oxidation',
  neutral: 'neutral',
  'light-reduction': 'light reduction',
  'heavy-reduction': 'heavy reduction'
};

/** Stretches of one kind of air; what is shorter than a few minutes belongs to the one before. */
export function airStretches(
  air: readonly Air[],
  end: number
): { from: number; to: number; band: AirBand }[] {
  const stretches: { from: number; to: number; band: AirBand }[] = [];
  for (const [i, point] of air.entries()) {
    const to = air[i + 1]?.minute ?? end;
    const last = stretches.at(-1);
    if (last && (last.band === point.band || to - point.minute < 3)) last.to = to;
    else stretches.push({ from: point.minute, to, band: point.band });
  }
  return stretches.filter((s) => s.to > s.from);
}

/** "6 marks", "half a mark" for the gauge. */
export const marks = (bar: number, mark: number) => {
  const count = Math.round((bar / mark) * 100) / 100;
  if (count === 0.5) return 'half a mark';
  const whole = Math.floor(count);
  return `${count - whole === 0.5 ? `${whole}½` : number(count)} ${count === 1 ? 'mark' : 'marks'}`;
};

/** The flame of a setting in words; the damper is said beside it. */
export function flameText(s: Pick<Setting, 'flame' | 'lit' | 'pressureBar'>, hands: Gauge): string {
  if (!s.lit || s.flame === 'off') return 'off';
  const all = s.lit === hands.burners;
  if (s.flame === 'candle')
    return all ? 'candles on all burners' : s.lit === 1 ? 'one candle' : `${s.lit} candles`;
  if (s.flame === 'low') return 'all burners low';
  return `${marks(s.pressureBar ?? 0, hands.mark)} · ${number(s.pressureBar ?? 0, 3)} bar`;
}

/** Which of the flames a setting is nearest to. */
export function nearestFlame(
  s: Pick<Setting, 'flame' | 'lit' | 'pressureBar'>,
  all: readonly Setting[]
): number {
  let best = 0;
  for (const [i, f] of all.entries()) {
    if (f.flame !== s.flame) continue;
    const [of, than] = [all[best], f];
    if (f.flame === 'candle' ? f.lit === s.lit : f.flame === 'low') return i;
    if (
      f.flame === 'gauge' &&
      (of?.flame !== 'gauge' ||
        Math.abs((than.pressureBar ?? 0) - (s.pressureBar ?? 0)) <
          Math.abs((of.pressureBar ?? 0) - (s.pressureBar ?? 0)))
    )
      best = i;
  }
  return best;
}

/** A setting as it is noted: "0.3 bar, damper 50 %". */
export function settingText(s: Setting): string {
  const damper = `damper ${number((s.damper ?? 0) * 100, 0)} %`;
  if (!s.lit || s.flame === 'off') return (s.damper ?? 0) <= 0 ? 'off, closed up' : `off, ${damper}`;
  if (s.flame === 'candle') return `${s.lit === 1 ? 'one candle' : `${s.lit} candles`}, ${damper}`;
  if (s.flame === 'low') return `low flames, ${damper}`;
  return `${number(s.pressureBar ?? 0, 3)} bar, ${damper}`;
}

/** What smell and flame say of the air. */
export const signs = [
  { sign: 'smell', name: 'A sour smell has begun', means: 'it reduces' },
  { sign: 'clear', name: 'Clear: no smell, no flame', means: 'air enough' },
  { sign: 'flame-at-flue', name: 'Flame stands at the flue', means: 'gas leaves unburnt' },
  { sign: 'flame-at-ports', name: 'Flame licks out of the ports', means: 'open the damper' }
] as const;
