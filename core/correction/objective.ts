import { balanceHalfWidth, balanceVoltage } from '../arc/balance';
import { withinCurrentRange } from '../arc/reading';
import {
  burnBackRisk,
  burnThroughRisk,
  lackOfFusionRisk,
  porosityRisk,
  spatterRisk,
  stubbingRisk,
  undercutRisk,
} from '../arc/risk';
import { currentAt, expectedTravel, type WireSetup } from '../arc/setup';
import { globularShare } from '../arc/transfer';
import type { FlowWindow } from '../arc/gas-cover';
import type { MainSetting } from '../setting/table';
import type { Scenario } from './scenarios';

/** The four settings that are always corrected, all known. */
export type Target = { [name in MainSetting]: number };

/** Today's settings, null where unknown: moving an unknown one costs nothing. */
export type Today = { [name in MainSetting]: number | null };

/** All that the expected risk of a target depends on. */
export type Situation = {
  setup: WireSetup;
  scenarios: Scenario[];
  today: Today;
  flowWindow: FlowWindow | null;
  gapShare: number;
  travelMmPerMin: number | null;
  arcControlPct: number;
};

/** What each risk costs against the others: a hidden lack of fusion most, spatter least. */
const COST = {
  lackOfFusion: 1.5,
  burnThrough: 1.3,
  stubbing: 1,
  burnBack: 1,
  undercut: 0.7,
  porosity: 1,
  spatter: 0.4,
  stickOut: 0.8,
};
/** Pull toward the middle of the good window, where the risks are flat. */
const CENTRE = { balance: 0.05, heat: 0.5, flow: 0.08, stickOut: 0.04 };
/** Cost of leaving today's value: small moves are free enough, large ones must earn their way. */
const MOVE = { perVolt: 0.0015, wire: 0.35, flow: 0.02, stickOut: 0.01 };
/** Globular transfer is avoided where a neighbour with a quieter arc exists. */
const GLOBULAR = 0.3;

const square = (x: number): number => x * x;

/** Expected electrical risk of a voltage and wire speed over all scenarios. */
function electricalRisk(situation: Situation, target: Target): number {
  const { setup, scenarios } = situation;
  const current = withinCurrentRange(currentAt(setup, target.wireSpeedMPerMin, target.stickOutMm));
  const balance = balanceVoltage(current, setup.wire, setup.gas);
  const halfWidth = balanceHalfWidth(current, setup.wire, setup.gas);
  const heatRatio = setup.currentAskedA === null ? 1 : current / setup.currentAskedA;
  const pace =
    situation.travelMmPerMin === null ? 1 : expectedTravel(setup, target.wireSpeedMPerMin) / situation.travelMmPerMin;
  const slow = Math.max(0.7, Math.min(1.5, pace));
  const co2 = setup.usesGas ? setup.gas.co2Pct : 0;
  const expected = scenarios.reduce((sum, { probability, balanceShift, heatShift }) => {
    const off = (target.voltageV - balance) / halfWidth + balanceShift;
    const heat = heatRatio * Math.exp(0.18 * heatShift);
    const risk =
      COST.stubbing * stubbingRisk(off) +
      COST.burnBack * burnBackRisk(off) +
      COST.spatter * spatterRisk(off, co2, situation.arcControlPct) +
      COST.lackOfFusion * lackOfFusionRisk(heat, off) +
      COST.burnThrough * burnThroughRisk(heat, situation.gapShare, slow) +
      COST.undercut * undercutRisk(off, 1 / slow) +
      CENTRE.balance * square(off) +
      CENTRE.heat * square(Math.log(heat));
    return sum + probability * risk;
  }, 0);
  return expected + GLOBULAR * globularShare(current, setup.wire, setup.gas);
}

/** Risk of a stick-out: even odds at 1.7 times the distance from the usual to the edge of its window. */
function stickOutRisk({ setup }: Situation, stickOutMm: number): number {
  const { low, wanted, high } = setup.usualStickOutMm;
  const off = stickOutMm > wanted ? (stickOutMm - wanted) / (high - wanted) : (wanted - stickOutMm) / (wanted - low);
  return COST.stickOut / (1 + Math.exp(-2.5 * (off - 1.7))) + CENTRE.stickOut * square(off);
}

function flowRisk({ flowWindow, setup }: Situation, flow: number): number {
  if (!setup.usesGas || flowWindow === null || flow <= 0) return flowWindow === null ? 0 : COST.porosity;
  return COST.porosity * porosityRisk(flow, flowWindow) + CENTRE.flow * square(Math.log(flow / flowWindow.wanted));
}

/** Cost of moving away from today's settings; an unknown one is free. */
function moveCost({ today }: Situation, target: Target): number {
  const share = (from: number | null, to: number): number => (from === null || from <= 0 ? 0 : Math.log(to / from));
  return (
    (today.voltageV === null ? 0 : MOVE.perVolt * square(target.voltageV - today.voltageV)) +
    MOVE.wire * square(share(today.wireSpeedMPerMin, target.wireSpeedMPerMin)) +
    MOVE.flow * square(share(today.gasFlowLPerMin, target.gasFlowLPerMin)) +
    (today.stickOutMm === null ? 0 : MOVE.stickOut * square((target.stickOutMm - today.stickOutMm) / 3))
  );
}

/** Expected risk of a target, without the cost of getting there. Dimensionless; lower is better. */
export function expectedRisk(situation: Situation, target: Target): number {
  return (
    electricalRisk(situation, target) +
    stickOutRisk(situation, target.stickOutMm) +
    (situation.setup.usesGas ? flowRisk(situation, target.gasFlowLPerMin) : 0)
  );
}

/** What the solver minimises: expected risk and the cost of moving. */
export function objective(situation: Situation, target: Target): number {
  return expectedRisk(situation, target) + moveCost(situation, target);
}
