import { inZone, momentOf, wallOf } from '$lib/zoned';

const day = 86_400_000;

/** The midnights between two moments on a zone's clock; a night with a change of hour has one too. */
export function midnights(from: Date, to: Date, zone: string): Date[] {
  const found: Date[] = [];
  for (let noon = Date.parse(`${wallOf(from, zone).date}T12:00Z`) + day; ; noon += day) {
    const date = new Date(noon).toISOString().slice(0, 10);
    const midnight = new Date(momentOf({ date, time: '00:00' }, zone) ?? inZone(to, zone));
    if (midnight >= to) return found;
    found.push(midnight);
  }
}
