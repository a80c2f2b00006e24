const shades = [
  '#f5a04c',
  '#9cc0e4',
  '#9cc9ab',
  '#e3b7e6',
  '#e6dc7a',
  '#ff9d8a',
  '#7fd4d4',
  '#c9b79c'
] as const;

/** The first is the glowing one; the others are told apart in the dark. */
export const shadeOf = (index: number): string => shades[index % shades.length] ?? shades[0];
