import { CAUSES, type Link, type ResidualName } from '../knowledge';
import type { PriorEvidence } from './circumstance';
import { absentStrength, NETWORK, type NetworkNode, type Observed } from './network';
import { figureWeight, RESIDUAL_EVIDENCE, type Residuals } from './residuals';

/** One item that speaks for (+) or against (-) a cause, in natural log units, with the reason in trade words. */
export type Reason = { evidence: string; weight: number; because: string };

/** What to say when a figure speaks against a cause. */
const FIGURE_AGAINST: Record<ResidualName, string> = {
  balance: 'the volts do not lie on that side of balance',
  heat: 'the current for this plate does not point that way',
  flow: 'the flow lies in its window',
  stickOut: 'the stick-out is not off that way',
  travel: 'the pace was not off that way',
  push: 'the gun angle is moderate',
  arcControl: 'the arc control is not off that way',
  polarityMatch: 'recorded as this wire wants it',
  gasMatch: 'the recorded mix suits wire and metal',
  wireMatch: 'the recorded wire suits the metal',
  transferZone: 'the current lies clear of the spray transition',
};

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
  return present ? Math.log((1 - with_) / (1 - silence)) : Math.log(1 - absentStrength(node.strength[column]));
}

function linkReason(column: number, id: string, present: boolean, good: boolean): string {
  const link = CAUSES[column].links.find(([finding]: Link) => finding === id);
  if (link !== undefined) return present || good ? link[2] : `expected, not seen: ${link[2]}`;
  return present ? 'the check shows it' : 'the check is clear';
}

/**
 * Everything that speaks for or against one cause.
 * @param column index of the cause
 * @param observed findings seen and known absent
 * @param residuals figures against the arc model
 * @param factors what raised or lowered its prior
 * @param priors of all causes, for the background chance of each finding
 * @returns strongest first
 */
export function reasonsFor(
  column: number,
  observed: Observed,
  residuals: Residuals,
  factors: readonly PriorEvidence[],
  priors: Float64Array,
): Reason[] {
  const reasons: Reason[] = [];
  for (const [nodes, trouble] of [
    [observed.present, true],
    [observed.absent, false],
  ] as const) {
    for (const node of nodes) {
      if (node.strength[column] === 0 && !trouble) continue;
      const weight = findingWeight(node, column, trouble, priors);
      const kind = node.id.startsWith('check-') ? 'check' : 'finding';
      reasons.push({
        evidence: `${kind}:${node.id}`,
        weight,
        because: linkReason(column, node.id, trouble, node.good),
      });
    }
  }
  for (const link of CAUSES[column].figures ?? []) {
    const residual = residuals[link.residual];
    if (residual === undefined) continue;
    const weight = figureWeight(link, residual);
    reasons.push({
      evidence: RESIDUAL_EVIDENCE[link.residual],
      weight,
      because: weight > 0 ? link.because : FIGURE_AGAINST[link.residual],
    });
  }
  for (const { evidence, factor, because } of factors) {
    reasons.push({ evidence, weight: factor > 0 ? Math.log(factor) : -20, because });
  }
  return reasons
    .filter(({ weight }) => Math.abs(weight) >= WORTH_SAYING)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
}

/** Column of a cause in the network. @throws RangeError for an unknown id */
export function columnOf(causeId: string): number {
  const column = NETWORK.causeIds.indexOf(causeId);
  if (column < 0) throw new RangeError(`there is no cause "${causeId}"`);
  return column;
}
