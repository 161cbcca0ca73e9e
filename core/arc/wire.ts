import type { BaseMetal, WireClass } from '../case/schema';

/** The two figures of a wire the arc model needs. */
export type Wire = { class: WireClass; diameterMm: number };

/** Tubular wire carries its flux inside and leaves slag; self-shielded or with gas. */
export function isTubular(wireClass: WireClass): boolean {
  return wireClass === 'tubular-self-shielded' || wireClass === 'tubular-gas-shielded';
}

/** A thin sheath round a core, of flux or of metal powder: a smooth groove slips on it and a tight one crushes it. */
export const isSheathed = (wireClass: WireClass): boolean => isTubular(wireClass) || wireClass === 'metal-cored';

/** The metal a wire deposits, which decides transition, balance and density. */
export function wireMetal(wireClass: WireClass): BaseMetal {
  if (wireClass === 'solid-aluminium') return 'aluminium';
  return wireClass === 'solid-stainless' ? 'stainless' : 'mild-steel';
}

/**
 * Refuses a figure outside the range a law holds for.
 * @param value the figure
 * @param low lowest valid value
 * @param high highest valid value
 * @param name what to call it in the message, with its unit
 * @throws RangeError naming the figure and what it takes
 */
export function requireRange(value: number, low: number, high: number, name: string): void {
  if (!(value >= low && value <= high)) throw new RangeError(`${name} takes ${low} to ${high}, not ${value}`);
}
