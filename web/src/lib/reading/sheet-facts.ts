import { display } from '$lib/display.svelte';
import { duration, money, number } from '$lib/format';
import { heat, weight } from '$lib/scales';

/** "Top 1262 °C after 13 h 09, 27 min there, 27.2 kg of gas, £53.21, opened at 50 °C.": what is known of it; empty where nothing is. */
export function sheetFacts(figures: Readonly<Record<string, number | undefined>>): string {
  const { top, topHours, hold, gas, kwh, cost, opened } = figures;
  const took = gas !== undefined ? `${weight(gas)} of gas` : kwh !== undefined ? `${number(kwh, 0)} kWh` : '';
  const said = [
    top === undefined
      ? ''
      : `top ${heat(top)}${topHours === undefined ? '' : ` after ${duration(topHours * 60)}`}`,
    hold === undefined ? '' : `${number(hold, 0)} min there`,
    took,
    cost === undefined ? '' : money(cost, display.currency),
    opened === undefined ? '' : `opened at ${heat(opened)}`
  ].filter(Boolean);
  const text = said.join(', ');
  return text && `${text[0]?.toUpperCase()}${text.slice(1)}.`;
}
