/**
 * Exact posterior of a two-layer noisy-OR network over all sets of up to three causes.
 *
 * The weight of a set S is  prod_{c in S} odds_c  x  prod_{f present} (1 - q_f prod_{c in S} (1 - s_cf)),
 * with q_f = 1 - leak. Absent findings and figures are a factor of each cause alone and stand in its odds.
 * Causes that touch no present finding multiply the weight of any set by their odds alone, so they are summed
 * in closed form (elementary symmetric sums) instead of being enumerated: exact, and stable, for nothing is
 * subtracted.
 */
export type NoisyOr = {
  /** Odds of each cause after its prior, its figures and the absent findings; 0 for one that cannot be. */
  odds: Float64Array;
  /** Causes with the same number (>= 0) exclude each other; -1 for none. */
  group: Int16Array;
  /** For each present finding: chance that nothing outside the causes brings it out, 1 - leak; below 1. */
  silence: Float64Array;
  /** For each present finding, for each cause: 1 - strength. Row by row. */
  miss: Float64Array;
};

export type Posterior = {
  /** Probability of each cause, 0 to 1. */
  marginals: Float64Array;
  /** Probability that none of the causes holds. */
  none: number;
};

const MOST_CAUSES = 3;

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

/** The links of the near causes to the present findings, end to end: cause i owns entries start[i] to start[i + 1]. */
type Links = { start: Int32Array; finding: Int16Array; strength: Float64Array };

function packLinks({ odds, silence, miss }: NoisyOr, near: readonly number[]): Links {
  const links = near.map((cause) =>
    Array.from(silence, (_, f) => ({ f, strength: 1 - miss[f * odds.length + cause] })).filter(
      ({ strength }) => strength > 0,
    ),
  );
  const start = new Int32Array(near.length + 1);
  links.forEach((own, i) => (start[i + 1] = start[i] + own.length));
  const all = links.flat();
  return {
    start,
    finding: Int16Array.from(all, ({ f }) => f),
    strength: Float64Array.from(all, ({ strength }) => strength),
  };
}

type NearSums = { sums: Float64Array; total: number; bySize: number[] };

/**
 * Sums the weights of all sets of up to three near causes; `tail[k]` is what the far causes add to a set of size k.
 *
 * A set grows by one cause at a time. With q_f the chance that nothing in the set brings f out and r_f = q_f / (1 - q_f),
 * adding a cause multiplies the likelihood by prod (1 + s_cf r_f) over the findings it touches, and q_f by (1 - s_cf).
 * Every factor is positive, and a cause costs only its own links.
 */
function sumNear(network: NoisyOr, near: readonly number[], tail: readonly number[]): NearSums {
  const { silence } = network;
  const { start, finding, strength } = packLinks(network, near);
  const odds = Float64Array.from(near, (cause) => network.odds[cause]);
  const group = Int16Array.from(near, (cause) => network.group[cause]);
  const n = near.length;
  const sums = new Float64Array(n);
  const bySize = [silence.reduce((product, quiet) => product * (1 - quiet), 1), 0, 0, 0];
  const quietOne = new Float64Array(silence.length);
  const ratioOne = new Float64Array(silence.length);
  const ratioTwo = new Float64Array(silence.length);
  for (let i = 0; i < n; i++) {
    quietOne.set(silence);
    let weightOne = bySize[0] * odds[i];
    for (let l = start[i]; l < start[i + 1]; l++) {
      const f = finding[l];
      weightOne *= 1 + (strength[l] * silence[f]) / (1 - silence[f]);
      quietOne[f] *= 1 - strength[l];
    }
    for (let f = 0; f < silence.length; f++) ratioOne[f] = quietOne[f] / (1 - quietOne[f]);
    bySize[1] += weightOne;
    let sumOne = weightOne * tail[1];
    for (let j = i + 1; j < n; j++) {
      if (group[j] >= 0 && group[j] === group[i]) continue;
      ratioTwo.set(ratioOne);
      let weightTwo = weightOne * odds[j];
      for (let l = start[j]; l < start[j + 1]; l++) {
        const f = finding[l];
        weightTwo *= 1 + strength[l] * ratioOne[f];
        const quiet = quietOne[f] * (1 - strength[l]);
        ratioTwo[f] = quiet / (1 - quiet);
      }
      bySize[2] += weightTwo;
      let sumThree = 0;
      for (let k = j + 1; k < n; k++) {
        const g = group[k];
        if (g >= 0 && (g === group[i] || g === group[j])) continue;
        let weightThree = weightTwo * odds[k];
        const end = start[k + 1];
        for (let l = start[k]; l < end; l++) weightThree *= 1 + strength[l] * ratioTwo[finding[l]];
        sums[k] += weightThree;
        sumThree += weightThree;
      }
      bySize[3] += sumThree;
      const sumTwo = weightTwo * tail[2] + sumThree;
      sums[j] += sumTwo;
      sumOne += sumTwo;
    }
    sums[i] += sumOne;
  }
  return { sums, bySize, total: bySize.reduce((sum, weight, size) => sum + weight * tail[size], 0) };
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
