/** A stretch of time as it lies on a picture, px. */
export interface Stretch {
  from: number;
  width: number;
}

/** Spans of time as they lie on a picture, cut at its edges; what lies wholly outside is left out. */
export function visible(
  spans: readonly { from: string; to: string }[],
  x: (at: Date) => number,
  width: number
): Stretch[] {
  return spans
    .map((span) => {
      const from = Math.max(0, x(new Date(span.from)));
      return { from, width: Math.min(width, x(new Date(span.to))) - from };
    })
    .filter((stretch) => stretch.width > 0);
}
