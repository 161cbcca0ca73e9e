import { readArc, type ArcReading } from '../arc/reading';
import { ampsRead, setupByAmps } from '../arc/amps';
import { arcSetup, type ArcSetup } from '../arc/setup';
import type { Case, FindingState } from '../case/schema';
import type { StatedId } from '../evidence/ids';
import type { ResidualName } from '../evidence/table';
import type { Knowledge } from '../knowledge/shapes/types';
import { READ_SETTINGS, type ReadSetting } from '../setting/table';
import { cautionsFor, type CautionNote } from './cautions';
import { inCircumstances, priorOf, type PriorEvidence } from './circumstance';
import { taughtBy, type Engine } from './engine';
import { firstLooks, type FirstLook } from './first-looks';
import { gradedByEar } from './heard';
import { likelySets } from './likely-sets';
import { questions, type Questions } from './next-check';
import { nextFigure, type NextFigure } from './next-figure';
import { notesOn, type Note } from './notes';
import type { NoisyOr } from './noisy-or';
import { noisyOr, observe } from './observed';
import { posterior, type Posterior } from './posterior';
import { ampsResidual, figureWeight, residualsOf, type Residuals } from './residuals';
import type { CauseVerdict } from './verdict';
import { reasonsFor } from './weight-of-evidence';

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
  /** Looks before the first bead; none once a bead has shown something. */
  firstLooks: FirstLook[];
  /** What does not add up. */
  notes: Note[];
  cautions: CautionNote[];
};

/** Causes under this are not listed. */
const LISTED = 0.01;

type Background = { priors: Float64Array; factors: PriorEvidence[][]; odds: Float64Array };

/** Pairings that the record itself shows to be wrong: wire for the metal, gas for the wire, pole. No bead is needed to know of them. */
const RECORDED = ['wireMatch', 'gasMatch', 'polarityMatch'] as const satisfies readonly ResidualName[];
/** Odds of a cause that stands in the record: over all that a bead and its figures say. */
const CERTAIN = 1e5;

/** Priors on this job and rig, and the odds once the figures have spoken. */
function background(engine: Engine, input: Case, setup: ArcSetup, residuals: Residuals): Background {
  const { findings = {} } = input;
  const stated = engine.causes.map((_, column) => priorOf(engine, column, input, setup));
  const priors = Float64Array.from(stated, ({ prior }) => prior);
  const odds = Float64Array.from(engine.causes, ({ figures = [], check }, c) => {
    let weight = 0;
    let certain = false;
    for (const link of figures) {
      const residual = residuals[link.residual];
      if (residual === undefined) continue;
      const isRecord = RECORDED.some((name) => name === link.residual);
      // Whoever looked has seen more than the record.
      if (isRecord && findings[check] === 'absent') continue;
      certain ||= isRecord && residual.value > 0;
      weight += figureWeight(link, residual);
    }
    const usual = (priors[c] / (1 - priors[c])) * Math.exp(weight);
    return certain && usual > 0 ? CERTAIN : usual;
  });
  return { priors, factors: stated.map(({ factors }) => factors), odds };
}

/** A cause that was not looked at has to be as likely as this to come before one that was found clear. */
const STANDS_BESIDE = 0.15;
/** Rounds in which refuted causes are put behind: seldom is more than one of them before all others. */
const MOST_ROUNDS = 6;

/**
 * Marginals in which no cause leads that its own check spoke against. Where a bead looks like nothing else the network knows, the
 * likelier reason is one that it does not hold: such a cause is brought down to the likeliest that was not looked at, and what it
 * loses goes to no cause.
 */
function withoutRefutedLead(
  engine: Engine,
  network: NoisyOr,
  { findings = {} }: Case,
): Posterior & { odds: Float64Array } {
  const odds = network.odds.slice();
  const isRefuted = engine.causes.map(({ check }) => findings[check] === 'absent');
  let result = posterior({ ...network, odds });
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { marginals } = result;
    const best = (refuted: boolean): number =>
      marginals.reduce((at, p, c) => (isRefuted[c] === refuted && (at < 0 || p > marginals[at]) ? c : at), -1);
    const [lead, other] = [best(true), best(false)];
    if (lead < 0 || other < 0 || marginals[other] < STANDS_BESIDE || marginals[lead] <= marginals[other]) break;
    const [p, q] = [marginals[lead], marginals[other]];
    odds[lead] *= Math.max(0.02, (0.9 * q * (1 - p)) / ((1 - q) * p));
    result = posterior({ ...network, odds });
  }
  return { ...result, odds };
}

/**
 * The diagnosis of a case: causes by probability with their reasons, what to check next, cautions.
 * @param standard the knowledge to judge by, compiled
 * @param input a valid case; everything in it may be missing
 * @throws RangeError for a finding the knowledge does not hold, or figures outside the arc model's range
 */
export function diagnose(standard: Engine, input: Case): Diagnosis {
  const { settings = {}, findings = {}, experience } = input;
  const asTaught = arcSetup(input, experience?.machine);
  const amps = ampsRead(asTaught, settings);
  const setup = setupByAmps(asTaught, settings);
  const taught = experience === undefined ? standard : taughtBy(standard, experience);
  const engine = inCircumstances(taught, input, setup);
  const arc = readArc(setup, settings);
  const residuals = { ...residualsOf(input, setup, arc), ...ampsResidual(input, asTaught, amps) };
  const observed = observe(engine, findings, gradedByEar(engine, input, setup, arc));
  const { priors, factors, odds } = background(engine, input, setup, residuals);
  const asSeen = noisyOr(engine, odds, observed);
  const result = withoutRefutedLead(engine, asSeen, input);
  const network = { ...asSeen, odds: result.odds };
  const causes = engine.causes
    .map(({ id }, column) => ({ cause: id, column, probability: result.marginals[column] }))
    .filter(({ probability }) => probability > LISTED)
    .sort((a, b) => b.probability - a.probability)
    .map(({ cause, column, probability }) => ({
      cause,
      probability,
      prior: priors[column],
      because: reasonsFor(engine, column, { ...observed, heard: input.heard }, residuals, factors[column], priors),
    }));
  const stated = Object.entries(findings).filter(([, state]) => state !== 'unknown');
  const idsSaid = (as: FindingState): Set<string> =>
    new Set(stated.flatMap(([id, state]) => (state === as ? [id] : [])));
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
    ...questions(engine, sets, new Set([...stated.map(([id]) => id), ...compared(engine.knowledge, residuals)])),
    askFor: nextFigure(engine, sets, askable(input, setup)),
    firstLooks: firstLooks(taught, input, setup),
    notes: notesOn(engine, {
      ...{ observed, residuals, amps, sets, priors, chance },
      ...{ seen: idsSaid('present'), clear: idsSaid('absent'), lead: causes[0]?.cause ?? null },
    }),
    cautions: cautionsFor(engine.knowledge.cautions, input, setup, causes),
  };
}

/** Checks that the recorded figures have answered: they spoke as figures, and would only be counted twice. */
function compared({ checks }: Knowledge, residuals: Residuals): StatedId[] {
  return checks.flatMap(({ id, compares }) =>
    compares !== undefined && residuals[compares] !== undefined ? [id] : [],
  );
}

/** Settings that are not stated and whose figure the arc model could use. */
function askable({ settings = {}, job = {} }: Case, { wire, usesGas }: ArcSetup): ReadSetting[] {
  return READ_SETTINGS.filter((setting) => {
    if (settings[setting] !== undefined) return false;
    if (setting === 'stickOutMm') return true;
    if (setting === 'gasFlowLPerMin') return usesGas;
    if (wire === null) return false;
    return setting === 'wireSpeedMPerMin' ? job.thicknessMm !== undefined : settings.wireSpeedMPerMin !== undefined;
  });
}
