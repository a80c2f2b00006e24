/** A price as people type it, with a point or a comma; nothing when it is none. */
export function readPrice(text: string): number | null {
  const value = Number(text.replace(',', '.'));
  return text.trim() === '' || Number.isNaN(value) ? null : value;
}
