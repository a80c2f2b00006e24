import type { components } from '$lib/api/schema';
import { number } from '$lib/format';

type Schemas = components['schemas'];
export type Turn = Schemas['TurnContract'];
type Fall = Schemas['ConeFallContract'];
export type Air = Schemas['AirContract'];
export type FuelUse = Schemas['FuelUseContract'];
export type FiringTurns = Schemas['FiringTurnsContract'];
export type Setting = Schemas['SettingContract'];
/** What a gauge and its burners are like. */
export type Gauge = Pick<FiringTurns['hands'], 'burners' | 'mark'>;
export type AirBand = Air['band'];
export type AirStretch = Schemas['AirStretchContract'];

/** What people call the air. */
export const airNames: Record<AirBand, string> = {
  oxidising: 'oxidation',
  neutral: 'neutral',
  'light-reduction': 'light reduction',
  'heavy-reduction': 'heavy reduction'
};

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

/** "Cone 9 should go about 14:35", for the cones of the pack that fall before the next turn; the goal cone ends it. */
export const fallsText = (turn: Pick<Turn, 'cones'>, goal: string | null, at: (fall: Fall) => string) =>
  (turn.cones ?? [])
    .map((f) => `Cone ${f.cone} should go about ${at(f)}${f.cone === goal ? ': it ends the firing' : ''}`)
    .join('. ');

/** Rows of a sheet with a night of looking told as one: the turns from..to are one row, looked at at each of their times. */
export interface Rows {
  from: number;
  to: number;
}
const fewLooks = 3;
export function folded(turns: readonly Pick<Turn, 'kind' | 'cones'>[]): Rows[] {
  const rows: Rows[] = [];
  for (let i = 0; i < turns.length; i++) {
    let to = i;
    if (turns[i]?.kind === 'look')
      while (turns[to + 1]?.kind === 'look' && !turns[to + 1]?.cones?.length) to++;
    if (to - i + 1 < fewLooks) to = i;
    rows.push({ from: i, to });
    i = to;
  }
  return rows;
}

/** What goes wrong at a gas kiln: three steps each, safety first, and what is noted of it. */
export const wrongs = [
  {
    id: 'smell-of-gas',
    name: 'Smell of gas',
    steps: [
      'No flame and no switch. Shut the tank valve from the side away from the kiln.',
      'Everybody out, doors open. Call the gas emergency number or your supplier from outside.',
      'Nothing is lit again before a gas fitter has found the leak.'
    ],
    then: 'shut-off'
  },
  {
    id: 'burner-out',
    name: 'A burner is out',
    steps: [
      'Shut its valve and open the damper. Below 750 °C: gas off, five minutes of air, then light again.',
      'Look why: cylinder, hose, dirt in the jet, wind. Light it with a flame in your hand and your face away.',
      'If it stays out, note it: estimate and plan go on with one burner less.'
    ],
    then: 'one-less'
  },
  {
    id: 'smoke',
    name: 'Black smoke',
    steps: [
      'Carbon monoxide comes with it: hood on, doors open, leave when the alarm sounds.',
      'Open the damper a tenth at a time until the smoke goes; wait two minutes between.',
      'Note how it stands then.'
    ],
    then: 'flame-at-flue'
  },
  {
    id: 'flame-at-ports',
    name: 'Flame out of the ports',
    steps: [
      'Step back; sleeves, hair and hoses out of its way.',
      'Open the damper until the flame stays inside.',
      'Note how it stands then.'
    ],
    then: 'flame-at-ports'
  },
  {
    id: 'stalled',
    name: 'It does not climb',
    steps: [
      'Do not turn up blindly: more gas without more air cools it.',
      'Look at gauge and cylinders: a frosted cylinder gives less. In reduction open the damper a little.',
      'Wait a quarter of an hour, note a colour or a cone, and look at the new plan if one is offered.'
    ],
    then: null
  },
  {
    id: 'gas-low',
    name: 'Gas runs low',
    steps: [
      'Never warm a cylinder with a flame, an iron or hot water.',
      'Change one at a time: valve shut first, no flame near, leak test before it is opened.',
      'Not enough to finish? Shut off in order now, closed up; ware that stopped early can be fired again.'
    ],
    then: null
  }
] as const;
export type Wrong = (typeof wrongs)[number];

/** What smell and flame say of the air. */
export const signs = [
  { sign: 'smell', name: 'A sour smell has begun', means: 'it reduces' },
  { sign: 'clear', name: 'Clear: no smell, no flame', means: 'air enough' },
  { sign: 'flame-at-flue', name: 'Flame stands at the flue', means: 'gas leaves unburnt' },
  { sign: 'flame-at-ports', name: 'Flame licks out of the ports', means: 'open the damper' }
] as const;
