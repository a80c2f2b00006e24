import { stackStep } from '$lib/api/vocabulary';

/** A piece as it is drawn: how wide, how tall, how it is stacked; mm. */
export interface Drawn {
  shape: 'round' | 'rectangle';
  across: number;
  deep: number;
  height: number;
  handle: number;
  step: number;
}

type Piece = {
  shape?: string | null;
  across?: number | null;
  deep?: number | null;
  height?: number | null;
  handle?: number | null;
  stacking?: string | null;
  step?: number | null;
};

/** The numbers of a piece with the usual ones where nobody said; the same as the packer's. */
export function drawn(piece: Piece | null | undefined): Drawn {
  const across = piece?.across ?? 80;
  const height = piece?.height ?? 80;
  const usual =
    piece?.stacking === 'nest'
      ? Math.max(stackStep.nestLeast, stackStep.nestShare * height)
      : piece?.stacking === 'spacers'
        ? height + stackStep.spacerGap
        : height;
  return {
    shape: piece?.shape === 'rectangle' ? 'rectangle' : 'round',
    across,
    deep: piece?.shape === 'rectangle' ? (piece.deep ?? across) : across,
    height,
    handle: piece?.handle ?? 0,
    step: piece?.step ?? usual
  };
}

/** The side of a piece that stands at x on a shelf whose top is at y (downwards), as a path: a plate, a bowl, a mug or a vase by its proportions. */
export function side(piece: Drawn, x: number, y: number, width = piece.across): string {
  const { height: h } = piece;
  const w = width / 2;
  const top = y - h;
  if (piece.shape === 'rectangle') return `M${x - w} ${y}V${top}H${x + w}V${y}Z`;
  const slender = h / piece.across;
  if (slender < 0.3)
    return `M${x - w * 0.55} ${y}H${x + w * 0.55}L${x + w} ${top}Q${x} ${top + h * 0.35} ${x - w} ${top}Z`;
  if (slender < 0.75)
    return `M${x - w * 0.5} ${y}H${x + w * 0.5}Q${x + w} ${y} ${x + w} ${top}H${x - w}Q${x - w} ${y} ${x - w * 0.5} ${y}Z`;
  if (slender > 1.5)
    return `M${x - w * 0.6} ${y}H${x + w * 0.6}C${x + w * 1.25} ${y - h * 0.35} ${x + w} ${y - h * 0.6} ${x + w * 0.45} ${y - h * 0.78}L${x + w * 0.6} ${top}H${x - w * 0.6}L${x - w * 0.45} ${y - h * 0.78}C${x - w} ${y - h * 0.6} ${x - w * 1.25} ${y - h * 0.35} ${x - w * 0.6} ${y}Z`;
  return `M${x - w * 0.86} ${y}H${x + w * 0.86}L${x + w} ${top}H${x - w}Z`;
}
