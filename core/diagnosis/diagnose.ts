import { arcSettings, arcSetup, readArc, type ArcReading, type ArcSetup } from '../arc/reading';
import type { Case, SettingName } from '../case/schema';
import { CAUSES } from '../knowledge';
import { cautionsFor, type CautionNote } from './cautions';
import { priorOf, type PriorEvidence } from './circumstance';
import { NETWORK, noisyOr, observe } from './network';
import { likelySets } from './likely-sets';
import { questions, type Questions } from './next-check';
import { nextFigure, type NextFigure } from './next-figure';
import { notesOn, type Note } from './notes';
import { posterior } from './posterior';
import { figureWeight, residualsOf, type Residuals } from './residuals';
import { reasonsFor, type Reason } from './weight-of-evidence';

/** One cause with its probability, what it was before, and what speaks for and against it. */
export type CauseVerdict = { cause: string; probability: number; prior: number; because: Reason[] };

export type Diagnosis = Questions & {
  setup: ArcSetup;
  arc: ArcReading;
  residuals: Residuals;
  /** Every cause above 1 %, likeliest first. */
  causes: CauseVerdict[];
  /** Probability of every cause, in the order of the knowledge. */
  marginals: Float64Array;
  /** Chance that no cause of the network holds. */
  noCause: number;
  /** The unknown setting whose figure would tell the most. */
  askFor: NextFigure | null;
  /** What does not add up. */
  notes: Note[];
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
  const stated = Object.entries(input.findings ?? {}).filter(([, state]) => state !== 'unknown');
  const seen = new Set(stated.flatMap(([id, state]) => (state === 'present' ? [id] : [])));
  const sets = likelySets(network, result.marginals);
  const chance = (...ids: string[]): number =>
    causes.reduce((sum, { cause, probability }) => (ids.includes(cause) ? sum + probability : sum), 0);
  return {
    setup,
    arc,
    residuals,
    causes,
    marginals: result.marginals,
    noCause: result.none,
    ...questions(sets, new Set(stated.map(([id]) => id))),
    askFor: nextFigure(sets, readable(input, setup)),
    notes: notesOn(observed, seen, residuals, sets, priors, chance),
    cautions: cautionsFor(input, causes),
  };
}

const ASKABLE = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin', 'travelSpeedMmPerMin'] as const;

/** Settings that are not stated and whose figure the arc model could use. */
function readable({ settings = {}, rig = {}, job = {} }: Case, { wire, usesGas }: ArcSetup): SettingName[] {
  return ASKABLE.filter((setting) => {
    if (settings[setting] !== undefined) return false;
    if (setting === 'stickOutMm') return true;
    if (setting === 'gasFlowLPerMin') return usesGas && rig.nozzleBoreMm !== undefined;
    if (wire === null) return false;
    return setting === 'wireSpeedMPerMin' ? job.thicknessMm !== undefined : settings.wireSpeedMPerMin !== undefined;
  });
}
