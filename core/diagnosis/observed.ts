import type { FindingState } from '../case/schema';
import type { Engine, NetworkNode } from './engine';
import type { NoisyOr } from './noisy-or';

/** Evidence as the network holds it: rows where trouble shows and rows where it is known not to. */
export type Observed = { present: NetworkNode[]; absent: NetworkNode[] };

/**
 * Sorts a case's findings into trouble seen and trouble known not to be there; a good finding turns round.
 * The order is the lexicon's, so the order of taps cannot matter.
 * @param findings state by finding or check id; "unknown" counts as not stated
 * @throws RangeError for an unknown id
 */
export function observe(engine: Engine, findings: Record<string, FindingState>): Observed {
  const observed: Observed = { present: [], absent: [] };
  for (const id of Object.keys(findings)) {
    if (!engine.nodeById.has(id)) throw new RangeError(`there is no finding "${id}"`);
  }
  for (const node of engine.nodes) {
    const state = findings[node.id] ?? 'unknown';
    if (state === 'unknown') continue;
    const trouble = (state === 'present') !== node.good;
    (trouble ? observed.present : observed.absent).push(node);
  }
  return observed;
}

/**
 * The eye that reports findings: it overlooks some trouble and imagines a little. Source: inspection studies put
 * visual detection of clear weld defects at about nine in ten; the false share is kept small, for tapping takes intent.
 * For what is seen this raises the leak; for what is not, it lets a cause off a little.
 */
export const EYE = { overlooks: 0.1, imagines: 0.01 };
const TRUSTED = 1 - EYE.overlooks - EYE.imagines;

/** How much of a link's strength an absence speaks with. */
export function absentStrength(strength: number): number {
  return TRUSTED * strength;
}

/**
 * Puts evidence and the odds of each cause into the form the sums take.
 * @param odds of each cause from prior and figures
 * @param observed trouble seen and trouble absent
 */
export function noisyOr({ group }: Engine, odds: Float64Array, observed: Observed): NoisyOr {
  const count = odds.length;
  const withAbsent = Float64Array.from(odds, (value, c) =>
    observed.absent.reduce((product, node) => product * (1 - absentStrength(node.strength[c])), value),
  );
  const miss = new Float64Array(observed.present.length * count);
  observed.present.forEach((node, f) => node.strength.forEach((strength, c) => (miss[f * count + c] = 1 - strength)));
  return {
    odds: withAbsent,
    group,
    silence: Float64Array.from(observed.present, ({ leak }) => ((1 - leak) * TRUSTED) / (1 - EYE.overlooks)),
    miss,
  };
}
