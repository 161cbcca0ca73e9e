import type { Heard } from '../case/schema';
import { evidenceOfStated, FIGURES, type EvidenceId, type HeardId } from '../evidence/table';
import { meanOf } from '../knowledge/strength';
import type { Cause } from '../knowledge/shapes/types';
import type { PriorEvidence } from './circumstance';
import type { Engine, NetworkNode } from './engine';
import { heardBecause } from './heard';
import { absentStrength, type Graded, type Observed } from './observed';
import { figureWeight, type Residuals } from './residuals';

/** One item that speaks for (+) or against (-) a cause, in natural log units, with the reason in trade words. */
export type Reason = { evidence: EvidenceId; weight: number; because: string };

/** Weights under this are not worth a line. */
const WORTH_SAYING = 0.1;

/**
 * Good's weight of evidence of one finding for one cause, the other causes at their priors:
 * ln P(state | cause) / P(state | not cause).
 */
export function findingWeight(node: NetworkNode, column: number, present: boolean, priors: Float64Array): number {
  let silence = 1 - node.leak;
  for (let c = 0; c < priors.length; c++) if (c !== column) silence *= 1 - priors[c] * node.strength[c];
  const with_ = silence * (1 - node.strength[column]);
  return present ? Math.log((1 - with_) / (1 - silence)) : Math.log(1 - absentStrength(node, node.strength[column]));
}

/**
 * The same of a row that a recording speaks of: ln P(recording | cause) / P(recording | not cause), with what it says of the row.
 * @param weight ln P(recording | it sounds so) / P(recording | it does not)
 */
export function gradedWeight({ node, weight }: Graded, column: number, priors: Float64Array): number {
  const ratio = Math.exp(weight);
  let silence = 1 - node.leak;
  for (let c = 0; c < priors.length; c++) if (c !== column) silence *= 1 - priors[c] * node.strength[c];
  const given = (quiet: number): number => ratio * (1 - quiet) + quiet;
  return Math.log(given(silence * (1 - node.strength[column])) / given(silence));
}

/** Why a cause brings out a finding: by the link that is as strong as it is here, for it may be stronger on this wire. */
function linkReason(
  { links, linksWhen = [] }: Cause,
  id: string,
  here: number,
  present: boolean,
  good: boolean,
): string {
  const all = [...links, ...linksWhen.flatMap((when) => when.links)].filter(([stated]) => stated === id);
  const link = all.find(([, strength]) => meanOf(strength) === here) ?? all[0];
  if (link !== undefined) return present || good ? link[2] : `expected, not seen: ${link[2]}`;
  return present ? 'the check shows it' : 'the check is clear';
}

/**
 * Everything that speaks for or against one cause.
 * @param column of the cause
 * @param observed findings seen and known absent
 * @param residuals figures against the arc model
 * @param factors what raised or lowered its prior
 * @param priors of all causes, for the background chance of each finding
 * @returns strongest first
 */
export function reasonsFor(
  { causes }: Engine,
  column: number,
  observed: Observed & { heard?: Heard },
  residuals: Residuals,
  factors: readonly PriorEvidence[],
  priors: Float64Array,
): Reason[] {
  const cause = causes[column];
  const reasons: Reason[] = [];
  for (const [nodes, trouble] of [
    [observed.present, true],
    [observed.absent, false],
  ] as const) {
    for (const node of nodes) {
      if (node.strength[column] === 0 && !trouble) continue;
      const weight = findingWeight(node, column, trouble, priors);
      const because = linkReason(cause, node.id, node.strength[column], trouble, node.good);
      reasons.push({ evidence: evidenceOfStated(node.id), weight, because });
    }
  }
  for (const graded of observed.graded) {
    if (observed.heard === undefined) break;
    const id = graded.node.id as HeardId;
    const weight = gradedWeight(graded, column, priors);
    reasons.push({ evidence: `heard:${id}`, weight, because: heardBecause(id, observed.heard, graded.weight > 0) });
  }
  for (const link of cause.figures ?? []) {
    const residual = residuals[link.residual];
    if (residual === undefined) continue;
    const weight = figureWeight(link, residual);
    reasons.push({
      evidence: FIGURES[link.residual].evidence,
      weight,
      because: weight > 0 ? link.because : FIGURES[link.residual].against,
    });
  }
  for (const { evidence, factor, because } of factors) {
    reasons.push({ evidence, weight: factor > 0 ? Math.log(factor) : -20, because });
  }
  return reasons
    .filter(({ weight }) => Math.abs(weight) >= WORTH_SAYING)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
}
