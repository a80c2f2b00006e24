/**
 * A slender cone as an outline. Its middle line is an arc whose chord leans by the bend, so that at 90° the tip is level
 * with the foot, as the reading says; past that it lies on the plaque.
 */
export function coneOutline(x: number, bend: number, ground = 84): string {
  const [steps, length, foot] = [18, 70, 8.5];
  const tip = 2 * Math.min(bend, 93) - 8;
  const left: string[] = [];
  const right: string[] = [];
  let [px, py] = [x, ground];
  for (let i = 0; i <= steps; i++) {
    const share = i / steps;
    const lean = (8 + (tip - 8) * share) * (Math.PI / 180);
    const width = foot * (1 - share) + 0.8;
    const at = (side: 1 | -1) =>
      `${(px + side * Math.cos(lean) * width).toFixed(1)} ${Math.min(ground, py - side * Math.sin(lean) * width).toFixed(1)}`;
    left.push(at(-1));
    right.unshift(at(1));
    px -= (Math.sin(lean) * length) / steps;
    py -= (Math.cos(lean) * length) / steps;
  }
  return `M${[...left, ...right].join('L')}Z`;
}

/** Where its tip is. */
export function coneTip(x: number, bend: number, ground = 84): { x: number; y: number } {
  const [steps, length] = [18, 70];
  const tip = 2 * Math.min(bend, 93) - 8;
  let [px, py] = [x, ground];
  for (let i = 0; i < steps; i++) {
    const lean = (8 + ((tip - 8) * i) / steps) * (Math.PI / 180);
    px -= (Math.sin(lean) * length) / steps;
    py -= (Math.cos(lean) * length) / steps;
  }
  return { x: px, y: Math.min(ground, py) };
}
