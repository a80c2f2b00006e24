import type { components } from '$lib/api/schema';
import { display } from '$lib/display.svelte';
import { number } from '$lib/format';
import { perKelvin } from '$lib/units';

type Shelf = components['schemas']['MorningShelf'];
type Change = components['schemas']['MorningChange'];

/** What a cone and whoever reads it are sure of, °C of cone. */
const near = 3;

/** "at cone 6", "9° short of cone 6", "at least 12° past cone 6". */
export function gotThere(shelf: Shelf, goal: string): string {
  const by = Math.abs(shelf.past);
  if (by < near && shelf.bound === 0) return `at cone ${goal}`;
  const bound = shelf.bound === 0 ? '' : shelf.bound > 0 === shelf.past > 0 ? 'at least ' : 'at most ';
  return `${bound}${number(by * perKelvin(display.unit), 0)}° ${shelf.past < 0 ? 'short of' : 'past'} cone ${goal}`;
}

/** "Next top +2 °C, hold 5 min longer"; the change in its own words where the top stays. */
export function nextTop(change: Change, unit: 'C' | 'F'): string {
  const [top, hold] = [Math.round(change.kelvins * perKelvin(unit)), Math.round(change.holdMinutes)];
  const parts = [
    ...(top === 0 ? [] : [`top ${top > 0 ? '+' : '−'}${Math.abs(top)} °${unit}`]),
    ...(hold === 0 ? [] : [`hold ${Math.abs(hold)} min ${hold > 0 ? 'longer' : 'shorter'}`])
  ];
  return parts.length ? `Next ${parts.join(', ')}` : change.text.split(/[:;.]/)[0] || change.text;
}
