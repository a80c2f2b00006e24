/** The midnights between two moments, by the clock on the wall: a night with a change of hour has one too. */
export function midnights(from: Date, to: Date): Date[] {
  const days: Date[] = [];
  const at = new Date(from);
  at.setHours(24, 0, 0, 0);
  for (; at < to; at.setDate(at.getDate() + 1)) days.push(new Date(at));
  return days;
}
