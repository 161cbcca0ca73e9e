/**
 * A two-layer noisy-OR network with what is seen of a case, as the sums over all sets of up to three causes take it.
 *
 * The weight of a set S is  prod_{c in S} odds_c  x  prod_{f present} (1 - q_f prod_{c in S} (1 - s_cf)),
 * with q_f = 1 - leak. Absent findings and figures are a factor of each cause alone and stand in its odds.
 * Causes that touch no present finding, the far ones, multiply the weight of any set by their odds alone.
 */
export type NoisyOr = {
  /** Odds of each cause after its prior, its figures and the absent findings; 0 for one that cannot be. */
  odds: Float64Array;
  /** Causes with the same number (>= 0) exclude each other; -1 for none. */
  group: Int16Array;
  /**
   * For each present finding: chance that nothing outside the causes brings it out, 1 - leak; below 1. Under 0 for one that something
   * speaks against without deciding it.
   */
  silence: Float64Array;
  /** For each present finding, for each cause: 1 - strength. Row by row. */
  miss: Float64Array;
};

/**
 * Sums over sets of up to three near causes: for each near cause those with it in them, the total, and the weight of all
 * sets of none, one and two without what far causes add.
 */
export type NearSums = { sums: Float64Array; total: number; bySize: number[] };
