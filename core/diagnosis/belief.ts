/** A chance held as a judgement: its mean, and the number of beads that judgement is worth. */
export type Belief = { mean: number; weight: number };

/**
 * A belief once some beads have spoken: the mean of the Beta distribution that the judgement and the counts make.
 * Source: the Beta is the conjugate prior of a yes/no chance; (mean x weight + seen) / (weight + of).
 * @param seen times it was so, 0 to `of`
 * @param of times it could have been so
 * @throws RangeError when `seen` is not in 0 to `of`
 */
export function afterBeads({ mean, weight }: Belief, seen: number, of: number): Belief {
  if (!(seen >= 0 && seen <= of)) throw new RangeError(`seen takes 0 to ${of}, not ${seen}`);
  return { mean: (mean * weight + seen) / (weight + of), weight: weight + of };
}
