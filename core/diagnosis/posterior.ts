import type { NearSums, NoisyOr } from './noisy-or';
import { stepsByFindings, sumByFindings } from './sum-by-findings';
import { sumBySets } from './sum-by-sets';

export type Posterior = {
  /** Probability of each cause, 0 to 1. */
  marginals: Float64Array;
  /** Probability that none of the causes holds. */
  none: number;
};

const MOST_CAUSES = 3;
/** What a step of the sum by findings costs against one of the sum by sets; measured. */
const COST_OF_FINDINGS = 1.5;

/** e_0..e_k of the odds, at most one from each exclusive group, leaving out one cause's group or the cause itself. */
function symmetricSums(odds: Float64Array, group: Int16Array, members: readonly number[], leftOut: number): number[] {
  const sums = [1, 0, 0, 0];
  const add = (x: number): void => {
    for (let k = MOST_CAUSES; k >= 1; k--) sums[k] += sums[k - 1] * x;
  };
  const byGroup = new Map<number, number>();
  for (const cause of members) {
    if (cause === leftOut) continue;
    const g = group[cause];
    if (g < 0) add(odds[cause]);
    else if (leftOut < 0 || g !== group[leftOut]) byGroup.set(g, (byGroup.get(g) ?? 0) + odds[cause]);
  }
  byGroup.forEach(add);
  return sums;
}

/** Causes that touch a present finding, and with one of a group all of that group: these are enumerated. */
function splitByRelevance({ odds, group, silence, miss }: NoisyOr): { near: number[]; far: number[] } {
  const count = odds.length;
  const touches = (cause: number): boolean => {
    for (let f = 0; f < silence.length; f++) if (miss[f * count + cause] < 1) return true;
    return false;
  };
  const possible = Array.from({ length: count }, (_, cause) => cause).filter((cause) => odds[cause] > 0);
  const direct = possible.filter(touches);
  const groups = new Set(direct.map((cause) => group[cause]).filter((g) => g >= 0));
  const isNear = new Set(possible.filter((cause) => direct.includes(cause) || groups.has(group[cause])));
  return { near: possible.filter((cause) => isNear.has(cause)), far: possible.filter((cause) => !isNear.has(cause)) };
}

/** The sums over sets of near causes, by the way that is shorter for this many causes and findings. */
function sumNear(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const { silence, miss, odds } = network;
  let links = 0;
  for (const cause of near) for (let f = 0; f < silence.length; f++) if (miss[f * odds.length + cause] < 1) links += 1;
  const n = near.length;
  const bySets = (n * n * (links + n)) / 6;
  const byFindings = COST_OF_FINDINGS * stepsByFindings(n, silence.length, links);
  return byFindings < bySets ? sumByFindings(network, near, tail) : sumBySets(network, near, tail);
}

/**
 * Exact marginals over all sets of up to three causes.
 * @param network odds, groups and present findings
 * @returns marginal probabilities, chance of no cause
 */
export function posterior(network: NoisyOr): Posterior {
  const { odds, group } = network;
  const { near, far } = splitByRelevance(network);
  const farSums = symmetricSums(odds, group, far, -1);
  /** tail[k]: weight of all ways to add far causes when k near ones are in the set. */
  const tail = [0, 1, 2, 3].map((k) => farSums.slice(0, MOST_CAUSES - k + 1).reduce((sum, e) => sum + e, 0));
  const { sums, bySize, total } = sumNear(network, near, tail);
  const marginals = new Float64Array(odds.length);
  near.forEach((cause, i) => (marginals[cause] = Math.min(1, sums[i] / total)));
  for (const cause of far) {
    const rest = symmetricSums(odds, group, far, cause);
    const ways = [rest[0] + rest[1] + rest[2], rest[0] + rest[1], rest[0]];
    const sum = odds[cause] * (bySize[0] * ways[0] + bySize[1] * ways[1] + bySize[2] * ways[2]);
    marginals[cause] = Math.min(1, sum / total);
  }
  return { marginals, none: bySize[0] / total };
}
