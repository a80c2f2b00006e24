import type { KilnPortrait, Unit } from '$lib/api/client';
import { perKelvin, toCelsius, toUnit } from '$lib/units';

/** What a kiln can do on another scale; as it is where it is on it already. */
export function portraitOn(portrait: KilnPortrait, unit: Unit): KilnPortrait {
  if (portrait.unit === unit) return portrait;
  const at = (temperature: number) => toUnit(toCelsius(temperature, portrait.unit), unit);
  const by = perKelvin(unit) / perKelvin(portrait.unit);
  const moved = <T extends { temperature: number }>(points: readonly T[]) =>
    points.map((p) => ({ ...p, temperature: at(p.temperature) }));
  const paced = <T extends { temperature: number; rate: number }>(points: readonly T[]) =>
    moved(points).map((p) => ({ ...p, rate: p.rate * by }));
  return {
    ...portrait,
    unit,
    climb: paced(portrait.climb),
    fall: paced(portrait.fall),
    hottest: at(portrait.hottest),
    usual: portrait.usual.map((u) => ({ ...u, cooling: moved(u.cooling) })),
    settings: portrait.settings && paced(portrait.settings),
    coolings: portrait.coolings && portrait.coolings.map((c) => ({ ...c, curve: moved(c.curve) }))
  };
}
