import { balanceHalfWidth, withinCurrentRange } from '../arc/balance';
import type { FlowWindow } from '../arc/gas-cover';
import { flowWindowOf } from '../arc/reading';
import {
  burnBackRisk,
  burnThroughRisk,
  lackOfFusionRisk,
  porosityRisk,
  spatterRisk,
  stubbingRisk,
  undercutRisk,
} from '../arc/risk';
import { balancedVolts, currentAt, type WireSetup } from '../arc/setup';
import { expectedTravel } from '../arc/pace';
import { usualStickOut } from '../arc/stick-out';
import { globularShare, wildness } from '../arc/transfer';
import { HEAT_UNIT } from '../diagnosis/residuals';
import type { MainSetting } from '../setting/table';
import type { Scenario } from './scenarios';
import { logistic } from '../chance/logistic';
import { clamp } from '../quantity/clamp';

/** The four settings that are always corrected, all known. */
export type Target = { [name in MainSetting]: number };

/** Today's settings, null where unknown: moving an unknown one costs nothing. */
export type Today = { [name in MainSetting]: number | null };

/** All that the expected risk of a target depends on. */
export type Situation = {
  setup: WireSetup;
  scenarios: Scenario[];
  today: Today;
  /** Chance that the stick-out and the flow are what is wrong. */
  wrong: { stickOutMm: number; gasFlowLPerMin: number };
  gapShare: number;
  travelMmPerMin: number | null;
  arcControlPct: number;
};

/**
 * Cost of each risk against the others, a bead that has to come out again being 1. The order is that of any acceptance level (cold
 * laps and burn-through not at all, undercut and holes by size, spatter cleaned off); the figures are judged.
 */
const COST = {
  /** Hidden: it passes every look and breaks later. */
  lackOfFusion: 1.5,
  /** Seen at once, but the hole is to be built up. */
  burnThrough: 1.3,
  stubbing: 1,
  burnBack: 1,
  /** Often within what is let pass, and dressed where it is not. */
  undercut: 0.7,
  porosity: 1,
  /** Scraped off. */
  spatter: 0.4,
  /** Its effect on current and cover is counted there; this is for spatter in the nozzle and a poor view. */
  stickOut: 0.8,
};

/**
 * What it costs to be away from the sound setting, where the risks are flat: as much as the risk it brings by the time a
 * welder would call it another setting. `unit` is how finely a sound setting is known: of a figure that is right, how near
 * to today's it is kept; of one that is wrong, how far from the model's middle a sound bead may be. Volts and balance count
 * in half-widths, wire, heat and flow as logs of a ratio.
 */
const AWAY = {
  cost: 0.3,
  unit: { volts: 0.45, wire: 0.08, balance: 0.45, heat: 0.07, heatOfBalance: 0.12, stickOutMm: 2, flow: 0.15 },
};
/** Volts and heat are drawn to their middle a little even where nothing is wrong with them. */
const MIDDLE = { balance: 0.05, heat: 0.5, flow: 0.08, stickOut: 0.04 };
/** Cost of a transfer; both judged, against COST. */
const TRANSFER = {
  /** Avoided where a neighbour with a quieter arc exists; where none does it is welded all the same, in CO2 by everybody. */
  globular: 0.3,
  /** A current between short arc and spray is proposed by nobody: both ends of the zone serve the plate as well. */
  wild: 1.2,
};
/** Stick-out by how far it lies from the usual to the edge of its window: as soon and as steep as stubbing; judged. */
const STICK_OUT = { evenAt: 1.7, steep: 2.5 };
/** The pace that the risks are stated for, expected travel over the one held. */
const PACE = { least: 0.7, most: 1.5 };

const square = (x: number): number => x * x;
/** Cost of lying `off` units away: a square near by, straight far out, so that one figure far off does not rule the rest. */
const away = (off: number): number => AWAY.cost * (Math.sqrt(1 + square(off)) - 1);
const share = (from: number, to: number): number => (from <= 0 || to <= 0 ? 0 : Math.log(to / from));

/** The part of a target's cost that depends on wire speed and stick-out alone. */
type Fed = {
  currentA: number;
  balancedV: number;
  halfWidthV: number;
  heat: number;
  /** Expected travel over the one held, kept within what the risks are stated for. */
  slow: number;
  /** Cost of the transfer that the current lies in. */
  transfer: number;
  stickOut: number;
  flow: FlowWindow | null;
};

function fed(situation: Situation, stickOutMm: number, currentA: number, travelMmPerMin: number): Fed {
  const { setup } = situation;
  const { wire, gas, pulse, currentAskedA } = setup;
  const pace = situation.travelMmPerMin === null ? 1 : travelMmPerMin / situation.travelMmPerMin;
  return {
    currentA,
    balancedV: balancedVolts(setup, currentA),
    halfWidthV: balanceHalfWidth(currentA, wire, gas),
    heat: currentAskedA === null ? 1 : currentA / currentAskedA,
    slow: clamp(pace, PACE.least, PACE.most),
    transfer:
      TRANSFER.globular * globularShare(currentA, wire, gas) +
      (pulse ? 0 : TRANSFER.wild * wildness(currentA, wire, gas)),
    stickOut: stickOutRisk(situation, stickOutMm, currentA),
    flow: flowWindowOf(setup, stickOutMm, currentA),
  };
}

/**
 * Expected risk of a voltage and wire speed over all scenarios.
 * @param off how far the volts lie from balance by the figures alone, in half-widths
 */
function electricalRisk({ setup, scenarios, gapShare, arcControlPct }: Situation, arc: Fed, off: number): number {
  const { slow } = arc;
  const co2 = setup.usesGas ? setup.gas.co2Pct : 0;
  const expected = scenarios.reduce((sum, { probability, balanceShift, heatShift }) => {
    const shifted = setup.pulse ? 0 : off + balanceShift;
    const heat = arc.heat * Math.exp(HEAT_UNIT * heatShift);
    const risk =
      COST.stubbing * stubbingRisk(shifted) +
      COST.burnBack * burnBackRisk(shifted) +
      COST.spatter * spatterRisk(shifted, co2, arcControlPct) +
      COST.lackOfFusion * lackOfFusionRisk(heat, shifted) +
      COST.burnThrough * burnThroughRisk(heat, gapShare, slow) +
      COST.undercut * undercutRisk(shifted, 1 / slow) +
      MIDDLE.balance * square(shifted) +
      MIDDLE.heat * square(Math.log(heat));
    return sum + probability * risk;
  }, 0);
  return expected + arc.transfer;
}

/** Expected cost of lying away from the sound volts and wire: in each scenario its own. */
function electricalAway({ scenarios, today, setup }: Situation, target: Target, arc: Fed, off: number): number {
  const { voltageV, wireSpeedMPerMin } = today;
  const { unit } = AWAY;
  const volts = voltageV === null ? 0 : (target.voltageV - voltageV) / (unit.volts * arc.halfWidthV);
  const wire = wireSpeedMPerMin === null ? 0 : share(wireSpeedMPerMin, target.wireSpeedMPerMin) / unit.wire;
  return scenarios.reduce((sum, { probability, balanceShift, balanceAim, heatShift, right, heatWrong }) => {
    const voltsHeld = right.voltageV && voltageV !== null;
    const wireHeld = right.wireSpeedMPerMin && wireSpeedMPerMin !== null;
    const held = away(Math.hypot(voltsHeld ? volts : 0, wireHeld ? wire : 0));
    const balance = (voltsHeld && wireHeld) || setup.pulse ? 0 : away((off + balanceShift - balanceAim) / unit.balance);
    const hot = Math.log(arc.heat) + HEAT_UNIT * heatShift;
    // Where the wire is wrong for the volts, the plate still says about how much of it there should be.
    const heat = wireHeld ? 0 : away(hot / (heatWrong || wireSpeedMPerMin === null ? unit.heat : unit.heatOfBalance));
    return sum + probability * (held + balance + heat);
  }, 0);
}

/** Risk of a stick-out. */
function stickOutRisk({ setup, today, wrong }: Situation, stickOutMm: number, currentA: number): number {
  const { low, wanted, high } = usualStickOut(setup, currentA);
  const off = stickOutMm > wanted ? (stickOutMm - wanted) / (high - wanted) : (wanted - stickOutMm) / (wanted - low);
  const risk = COST.stickOut * logistic(STICK_OUT.steep * (off - STICK_OUT.evenAt)) + MIDDLE.stickOut * square(off);
  const fromWanted = away((stickOutMm - wanted) / AWAY.unit.stickOutMm);
  if (today.stickOutMm === null) return risk + fromWanted;
  const held = away((stickOutMm - today.stickOutMm) / AWAY.unit.stickOutMm);
  return risk + wrong.stickOutMm * fromWanted + (1 - wrong.stickOutMm) * held;
}

function flowRisk({ today, wrong }: Situation, flow: number, window: FlowWindow | null): number {
  if (window === null) return 0;
  if (flow <= 0) return COST.porosity;
  const off = share(window.wanted, flow);
  const risk = COST.porosity * porosityRisk(flow, window) + MIDDLE.flow * square(off);
  const fromWanted = away(off / AWAY.unit.flow);
  if (today.gasFlowLPerMin === null) return risk + fromWanted;
  const held = away(share(today.gasFlowLPerMin, flow) / AWAY.unit.flow);
  return risk + wrong.gasFlowLPerMin * fromWanted + (1 - wrong.gasFlowLPerMin) * held;
}

/** Memoizes a function of one number: a search asks for the same numbers again and again. */
function memoized<Result>(law: (x: number) => Result): (x: number) => Result {
  const known = new Map<number, Result>();
  return (x) => {
    const found = known.get(x);
    if (found !== undefined) return found;
    const result = law(x);
    known.set(x, result);
    return result;
  };
}

/**
 * Returns the function that the solver minimises in a situation: the expected risk, and the cost of lying away from the sound setting of each
 * scenario. The part that depends on wire speed and stick-out alone is memoized.
 * @returns the objective of a target, dimensionless; lower is better
 */
export function objectiveIn(situation: Situation): (target: Target) => number {
  const { setup } = situation;
  const at = memoized((wireSpeedMPerMin) => {
    const travel = expectedTravel(setup, wireSpeedMPerMin);
    return memoized((stickOutMm) => {
      const currentA = withinCurrentRange(currentAt(setup, wireSpeedMPerMin, stickOutMm));
      return fed(situation, stickOutMm, currentA, travel);
    });
  });
  return (target) => {
    const known = at(target.wireSpeedMPerMin)(target.stickOutMm);
    // In pulse the machine holds the arc length by trim: volts say nothing.
    const off = setup.pulse ? 0 : (target.voltageV - known.balancedV) / known.halfWidthV;
    return (
      electricalRisk(situation, known, off) +
      electricalAway(situation, target, known, off) +
      known.stickOut +
      flowRisk(situation, target.gasFlowLPerMin, known.flow)
    );
  };
}

/** The same for a single target. */
export const objective = (situation: Situation, target: Target): number => objectiveIn(situation)(target);
