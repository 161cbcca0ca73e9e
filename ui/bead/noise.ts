/** A fixed scatter in place of chance, so that the same bead is always drawn the same: 0 to 1 for a whole number. */
export function scatter(index: number): number {
  const x = Math.sin(index * 127.1 + 311.7) * 43758.5453;
  return x - Math.floor(x);
}

/** Rounds for short paths. */
export const r = (value: number): string => String(Math.round(value * 100) / 100);

/** A full circle as a path. */
export function circle(x: number, y: number, radius: number): string {
  return `M${r(x - radius)} ${r(y)}a${r(radius)} ${r(radius)} 0 1 0 ${r(2 * radius)} 0a${r(radius)} ${r(radius)} 0 1 0 ${r(-2 * radius)} 0`;
}
