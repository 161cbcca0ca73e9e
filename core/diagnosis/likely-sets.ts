import type { NetworkNode } from './engine';
import type { NoisyOr } from './noisy-or';

/** A set of causes with its probability, scaled so that all the likely sets sum to 1. */
export type LikelySet = { causes: number[]; probability: number };

/** Causes carried into the estimates; the rest together rarely hold more than a few per cent. */
const MOST_LIKELY = 18;

/**
 * The sets of up to two of the likeliest causes: enough to weigh questions by, at a fraction of the cost.
 * Verdicts do not rest on it, only the choice of what to ask next and the notes beside the verdict.
 */
export function likelySets({ odds, group, silence, miss }: NoisyOr, marginals: Float64Array): LikelySet[] {
  const count = odds.length;
  const top = Array.from(marginals.keys())
    .filter((c) => odds[c] > 0)
    .sort((a, b) => marginals[b] - marginals[a])
    .slice(0, MOST_LIKELY);
  const weight = (causes: readonly number[]): number => {
    let product = 1;
    for (const c of causes) product *= odds[c];
    for (let f = 0; f < silence.length; f++) {
      let quiet = silence[f];
      for (const c of causes) quiet *= miss[f * count + c];
      product *= 1 - quiet;
    }
    return product;
  };
  const chosen: number[][] = [[]];
  top.forEach((a, i) => {
    chosen.push([a]);
    for (const b of top.slice(i + 1)) if (group[a] < 0 || group[a] !== group[b]) chosen.push([a, b]);
  });
  const sets = chosen.map((causes) => ({ causes, probability: weight(causes) }));
  const total = sets.reduce((sum, { probability }) => sum + probability, 0);
  return sets.map(({ causes, probability }) => ({ causes, probability: probability / total }));
}

/** Chance that a node shows trouble when exactly these causes hold. */
export function showsGiven(node: NetworkNode, causes: readonly number[]): number {
  let quiet = 1 - node.leak;
  for (const c of causes) quiet *= 1 - node.strength[c];
  return 1 - quiet;
}
