import { isTubular, type Wire } from '../arc/wire';
import { isAgainstGravity, wireWindow } from '../arc/wire-window';
import type { Position } from '../case/schema';

/** Wire sizes that are sold, mm. */
const WIRE_SIZES = [0.6, 0.8, 0.9, 1.0, 1.2, 1.6];

/** Which sizes of a wire suit a plate, and whether the one that is fitted does. */
export type WireChoice = { suits: number[]; best: number; fitted: boolean };

/**
 * Thickness that a solid wire is usually run on, one pass, mm. Source: the trade's 0.6 under 1.2 mm, 0.8 to 5, 0.9 to 8, 1.2
 * above; 1.0 between its neighbours, 1.6 for heavy plate in spray.
 */
const SOLID: readonly { diameterMm: number; fromMm: number; toMm: number }[] = [
  { diameterMm: 0.6, fromMm: 0.5, toMm: 1.5 },
  { diameterMm: 0.8, fromMm: 0.6, toMm: 5 },
  { diameterMm: 0.9, fromMm: 0.9, toMm: 8 },
  { diameterMm: 1.0, fromMm: 1.2, toMm: 10 },
  { diameterMm: 1.2, fromMm: 3, toMm: 30 },
  { diameterMm: 1.6, fromMm: 8, toMm: 100 },
];
/** How far over the usual thickness a wire still does, in several passes. */
const IN_PASSES = 2;

/**
 * The wire for a plate: its usual thickness, and amps that lie inside its window.
 * @param wire that is fitted
 * @param on the thicker part that the current is set for, mm, the current wanted, A, and where
 */
export function wireChoice(
  { class: wireClass, diameterMm }: Wire,
  { thickMm, currentA, position }: { thickMm: number; currentA: number; position: Position },
): WireChoice {
  const carries = (size: number): boolean => {
    const { lowA, highA } = wireWindow({ class: wireClass, diameterMm: size });
    return currentA >= lowA && currentA <= highA;
  };
  const tubular = isTubular(wireClass);
  // Tubular wires begin at 0.8 or 0.9 mm, and their windows say what they are for.
  // Against gravity the puddle of the thickest wire does not stay up.
  const most = isAgainstGravity(position) ? 1.2 : 1.6;
  const sold = tubular ? [0.8, 0.9, 1.2, 1.6] : wireClass === 'metal-cored' ? [0.9, 1.0, 1.2, 1.6] : WIRE_SIZES;
  const sizes = sold.filter((size) => size <= most);
  const suits = sizes.filter((size) => {
    const usual = SOLID.find((row) => row.diameterMm === size);
    return carries(size) && (tubular || (usual !== undefined && thickMm >= usual.fromMm && thickMm <= usual.toMm));
  });
  // A plate that no wire does in one pass is done in several by the thickest that goes in passes.
  const inPasses = sizes.filter((size) => {
    const usual = SOLID.find((row) => row.diameterMm === size);
    return usual !== undefined && thickMm >= usual.fromMm && thickMm <= IN_PASSES * usual.toMm;
  });
  const found =
    suits.length > 0 ? suits : inPasses.length > 0 ? inPasses : [sizes[currentA > 150 ? sizes.length - 1 : 0]];
  // In the middle of its window a wire runs quietest.
  const off = (size: number): number => {
    const { lowA, highA } = wireWindow({ class: wireClass, diameterMm: size });
    return Math.abs(Math.log(currentA / Math.sqrt(lowA * highA)));
  };
  const best = found.reduce((least, size) => (off(size) < off(least) ? size : least));
  return { suits: found, best, fitted: found.some((size) => Math.abs(size - diameterMm) < 0.06) };
}
