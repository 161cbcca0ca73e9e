import type { FindingState } from '../case/schema';
import type { Engine, NetworkNode } from './engine';
import type { NoisyOr } from './noisy-or';

/** A row that something speaks for (+) or against (-), in natural log units, without deciding it. */
export type Graded = { node: NetworkNode; weight: number };

/** Evidence as the network holds it: rows where trouble shows, rows where it is known not to, and rows that a recording speaks of. */
export type Observed = { present: NetworkNode[]; absent: NetworkNode[]; graded: Graded[] };

/**
 * Sorts a case's findings into trouble seen and trouble known not to be there; a good finding turns round.
 * The order is the lexicon's, so the order of taps cannot matter.
 * @param findings state by finding or check id; "unknown" counts as not stated
 * @param graded what a recording speaks of besides
 * @throws RangeError for an unknown id
 */
export function observe(
  engine: Engine,
  findings: Record<string, FindingState>,
  graded: readonly Graded[] = [],
): Observed {
  const observed: Observed = { present: [], absent: [], graded: [...graded] };
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

/**
 * Returns how much of a link's strength the answer "not there" speaks with. A check is made on purpose and answered by one of two sentences,
 * so nothing of it is overlooked: what it misses is in its strength already.
 */
export function absentStrength({ isCheck }: Pick<NetworkNode, 'isCheck'>, strength: number): number {
  return isCheck ? strength : TRUSTED * strength;
}

/** Chance that nothing brings a row out that was seen, causes apart: the eye imagines a little, a check that was made does not. */
const seenSilence = ({ isCheck, leak }: NetworkNode): number =>
  isCheck ? 1 - leak : ((1 - leak) * TRUSTED) / (1 - EYE.overlooks);

/**
 * Puts evidence and the odds of each cause into the form the sums take.
 * @param odds of each cause from prior and figures
 * @param observed trouble seen and trouble absent
 */
export function noisyOr({ group }: Engine, odds: Float64Array, observed: Observed): NoisyOr {
  const count = odds.length;
  const withAbsent = Float64Array.from(odds, (value, c) =>
    observed.absent.reduce((product, node) => product * (1 - absentStrength(node, node.strength[c])), value),
  );
  const rows = [...observed.present, ...observed.graded.map(({ node }) => node)];
  const miss = new Float64Array(rows.length * count);
  rows.forEach((node, f) => node.strength.forEach((strength, c) => (miss[f * count + c] = 1 - strength)));
  return {
    odds: withAbsent,
    group,
    silence: Float64Array.from([...observed.present.map(seenSilence), ...observed.graded.map(gradedSilence)]),
    miss,
  };
}

/**
 * Graded evidence on a row, likelihood ratio L (Pearl's virtual evidence): L P(shows) + P(not) = L (1 - (1 - 1/L) q prod(1 - s)), with
 * q = 1 - leak. But for L, which is the same for all sets, that is a present finding whose silence is (1 - 1/L) q: smaller than q
 * where something speaks for it, nothing at L = 1, and under 0 where something speaks against it.
 */
const gradedSilence = ({ node, weight }: Graded): number => (1 - Math.exp(-weight)) * (1 - node.leak);
