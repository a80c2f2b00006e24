import type { Segment } from '$lib/api/client';
import { hold, number } from '$lib/format';

/** A step as it is said on paper: "Climb 80 °C/h to 600 °C, hold 1 h 30". */
export function stepSentence(step: Segment, direction: string, unit: string): string {
  const to = step.target === null || step.target === undefined ? '' : ` to ${number(step.target)} °${unit}`;
  const going =
    step.pace === 'natural'
      ? `Power off, cooling by itself${to || ' until it may be opened'}`
      : step.pace === 'full'
        ? `Full power${to}`
        : `${direction === 'down' ? 'Cool' : direction === 'level' ? 'Stay' : 'Climb'} ${number(step.rate ?? 0)} °${unit}/h${to}`;
  const held = step.holdMinutes ? `, hold ${hold(step.holdMinutes)}` : '';
  const air = step.atmosphere ? ` (${step.atmosphere.replace('-', ' ')})` : '';
  return `${going}${held}${air}`;
}
