import type { Machine } from '../arc/machine';
import type { CauseId, StatedId } from '../evidence/ids';

/**
 * What a rig has taught, as plain data that can be read, exported and forgotten. Each count is of beads on this rig
 * since the part in question was last replaced.
 */
export type Experience = {
  /** How its figures stand to its arc. */
  machine?: Machine;
  /** How often a cause was confirmed by its cure, of how many bad beads. */
  causes?: { cause: CauseId; confirmed: number; beads: number }[];
  /** How often a confirmed cause brought out a finding, of how often it was looked for. */
  links?: { cause: CauseId; stated: StatedId; shown: number; looked: number }[];
};

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
