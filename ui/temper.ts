import palette from './temper.json';
import { clamp } from '../core/quantity/clamp';

/** Temper colours of heated steel, straw to blue: the one quantitative colour scale. */
const STEPS = Object.values(palette.temper);

/**
 * Colour for a share; always shown with a figure or a word beside it.
 * @param share 0 to 1
 * @returns a CSS colour
 */
export function temperColour(share: number): string {
  const index = clamp(Math.floor(share * STEPS.length), 0, STEPS.length - 1);
  return STEPS[index];
}

/** A probability in trade words. @param probability 0 to 1 */
export function likelihoodWords(probability: number): string {
  if (probability >= 0.85) return 'very likely';
  if (probability >= 0.6) return 'likely';
  return probability >= 0.1 ? 'possible' : 'unlikely';
}
