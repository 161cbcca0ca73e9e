import { arcSettings, arcSetup, readArc, type ArcReading, type ArcSetup } from '../arc/reading';
import type { Case } from '../case/schema';
import { CAUSES } from '../knowledge';
import { cautionsFor, type CautionNote } from './cautions';
import { priorOf, type PriorEvidence } from './circumstance';
import { NETWORK, noisyOr, observe } from './network';
import { nextChecks, type NextCheck } from './next-check';
import { posterior } from './posterior';
import { figureWeight, residualsOf, type Residuals } from './residuals';
import { reasonsFor, type Reason } from './weight-of-evidence';

/** One cause with its probability, what it was before, and what speaks for and against it. */
export type CauseVerdict = { cause: string; probability: number; prior: number; because: Reason[] };

export type Diagnosis = {
  setup: ArcSetup;
  arc: ArcReading;
  residuals: Residuals;
  /** Every cause above 1 %, likeliest first. */
  causes: CauseVerdict[];
  /** Chance that no cause of the network holds. */
  noCause: number;
  nextChecks: NextCheck[];
  cautions: CautionNote[];
};

/** Causes under this are not listed. */
const LISTED = 0.01;

type Background = { priors: Float64Array; factors: PriorEvidence[][]; odds: Float64Array };

/** Priors on this job and rig, and the odds once the figures have spoken. */
function background(input: Case, residuals: Residuals): Background {
  const stated = CAUSES.map((cause) => priorOf(cause, input));
  const priors = Float64Array.from(stated, ({ prior }) => prior);
  const odds = Float64Array.from(CAUSES, (cause, c) => {
    const weight = (cause.figures ?? []).reduce((sum, link) => {
      const residual = residuals[link.residual];
      return residual === undefined ? sum : sum + figureWeight(link, residual);
    }, 0);
    return (priors[c] / (1 - priors[c])) * Math.exp(weight);
  });
  return { priors, factors: stated.map(({ factors }) => factors), odds };
}

/**
 * The diagnosis of a case: causes by probability with their reasons, what to check next, cautions.
 * @param input a valid case; everything in it may be missing
 * @throws RangeError for a finding the lexicon does not hold, or figures outside the arc model's range
 */
export function diagnose(input: Case): Diagnosis {
  const setup = arcSetup(input);
  const arc = readArc(setup, arcSettings(input), input);
  const residuals = residualsOf(input, setup, arc);
  const observed = observe(input.findings ?? {});
  const { priors, factors, odds } = background(input, residuals);
  const network = noisyOr(odds, observed);
  const result = posterior(network);
  const causes = NETWORK.causeIds
    .map((cause, column) => ({ cause, column, probability: result.marginals[column] }))
    .filter(({ probability }) => probability > LISTED)
    .sort((a, b) => b.probability - a.probability)
    .map(({ cause, column, probability }) => ({
      cause,
      probability,
      prior: priors[column],
      because: reasonsFor(column, observed, residuals, factors[column], priors),
    }));
  const answered = new Set(
    Object.entries(input.findings ?? {}).flatMap(([id, state]) => (state === 'unknown' ? [] : [id])),
  );
  return {
    setup,
    arc,
    residuals,
    causes,
    noCause: result.none,
    nextChecks: nextChecks(network, result, answered),
    cautions: cautionsFor(input, causes),
  };
}
