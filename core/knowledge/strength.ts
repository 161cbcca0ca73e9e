import type { Strength } from './shapes/types';

/** The chance itself, whether it was written down with its weight or without. */
export function meanOf(strength: Strength): number {
  return typeof strength === 'number' ? strength : strength.mean;
}
