import { FIGURES, type ResidualName } from '../evidence/table';
import type { Cause } from '../knowledge/shapes/types';
import type { ReadSetting } from '../setting/table';
import type { Engine } from './engine';
import type { LikelySet } from './likely-sets';
import { SCATTER } from './residuals';

/** An unknown setting whose figure would tell the most, and how much. */
export type NextFigure = { setting: ReadSetting; bits: number };

/** A figure that is read off brings its own spread; a usual one. */
const USUAL_SPREAD = 0.6;
const GRID = Array.from({ length: 29 }, (_, i) => -7 + i * 0.5);

const normal = (x: number, mean: number, spread: number): number => Math.exp(-((x - mean) ** 2) / (2 * spread ** 2));

/** Where a residual would lie under a set of causes: at the strongest pull among them, else about 0. */
function centre(known: readonly Cause[], residual: ResidualName, causes: readonly number[]): number {
  const pulls = causes.flatMap((c) =>
    (known[c].figures ?? []).filter((link) => link.residual === residual).map(({ at }) => at),
  );
  return pulls.reduce((strongest, at) => (Math.abs(at) > Math.abs(strongest) ? at : strongest), 0);
}

/** Mutual information between a residual and the causes, in bits, over a grid of readings. */
function informationOf(known: readonly Cause[], residual: ResidualName, sets: readonly LikelySet[]): number {
  const byCentre = new Map<number, number>();
  for (const { causes, probability } of sets) {
    const at = centre(known, residual, causes);
    byCentre.set(at, (byCentre.get(at) ?? 0) + probability);
  }
  if (byCentre.size < 2) return 0;
  const spread = Math.hypot(SCATTER, USUAL_SPREAD);
  let bits = 0;
  for (const x of GRID) {
    const parts = [...byCentre].map(([at, probability]) => ({ probability, density: normal(x, at, spread) }));
    const mixture = parts.reduce((sum, part) => sum + part.probability * part.density, 0);
    for (const { probability, density } of parts)
      if (density > 0) bits += probability * density * Math.log2(density / mixture);
  }
  return (bits * 0.5) / (spread * Math.sqrt(2 * Math.PI));
}

/**
 * The one unknown setting to ask for.
 * @param sets likely sets of causes
 * @param unknown settings that the case does not state and that could be read
 * @returns null when no figure would tell anything worth the asking
 */
export function nextFigure(
  { causes }: Engine,
  sets: readonly LikelySet[],
  unknown: readonly ReadSetting[],
): NextFigure | null {
  const candidates = (Object.keys(FIGURES) as ResidualName[]).flatMap((residual) => {
    const { waitsFor } = FIGURES[residual];
    const asked = waitsFor !== null && unknown.includes(waitsFor);
    return asked ? [{ setting: waitsFor, bits: informationOf(causes, residual, sets) }] : [];
  });
  const best = candidates.sort((a, b) => b.bits - a.bits)[0];
  return best !== undefined && best.bits > 0.03 ? best : null;
}
