import { balanceVoltage } from '../arc/balance';
import { usableCurrent } from '../arc/heat';
import { withinCurrentRange } from '../arc/reading';
import { currentAt, wireSpeedAt } from '../arc/setup';
import type { Case } from '../case/schema';
import { MAIN_SETTINGS, withinLimits } from '../setting/table';
import type { Situation, Target, Today } from './objective';
import type { Bounds } from './solver';

/** A machine of unknown range: what most can be set to. */
const DEFAULT_RANGE = {
  voltageV: { low: 12, high: 38, step: 0.1 },
  wireSpeedMPerMin: { low: 1.5, high: 20, step: 0.1 },
};

/** Limits of machine, wire, nozzle and field taken together. */
export function boundsFor(input: Case, situation: Situation): Bounds {
  const range = { ...DEFAULT_RANGE, ...input.rig?.range };
  const { setup, flowWindow } = situation;
  const { low, high, wanted } = setup.usualStickOutMm;
  const usable = usableCurrent(setup.wire.diameterMm);
  const wire = range.wireSpeedMPerMin;
  // Where machine and wire do not meet, the machine's nearest end is all there is.
  const reachable = (currentA: number): number =>
    Math.min(wire.high, Math.max(wire.low, wireSpeedAt(setup, currentA, wanted)));
  const bounds: Bounds = {
    voltageV: range.voltageV,
    wireSpeedMPerMin: {
      low: reachable(usable.lowA),
      high: reachable(usable.highA),
      step: wire.step,
    },
    stickOutMm: { low, high, step: 1 },
    gasFlowLPerMin:
      flowWindow === null ? { low: 0, high: 30, step: 0.5 } : { low: flowWindow.low, high: flowWindow.high, step: 0.5 },
  };
  for (const name of MAIN_SETTINGS) {
    const { low: lowest, high: highest, step } = bounds[name];
    bounds[name] = { low: withinLimits(name, lowest), high: withinLimits(name, highest), step };
  }
  return bounds;
}

/** The model's own choice: current for the plate, volts in balance, usual stick-out and flow. */
function startingPoint(situation: Situation, bounds: Bounds): Target {
  const { setup, flowWindow } = situation;
  const usable = usableCurrent(setup.wire.diameterMm);
  const stickOutMm = setup.usualStickOutMm.wanted;
  const current = Math.min(
    usable.highA,
    Math.max(usable.lowA, setup.currentWantedA ?? (usable.lowA + usable.highA) / 2),
  );
  const speed = Math.min(
    bounds.wireSpeedMPerMin.high,
    Math.max(bounds.wireSpeedMPerMin.low, wireSpeedAt(setup, current, stickOutMm)),
  );
  return {
    voltageV: balanceVoltage(withinCurrentRange(current), setup.wire, setup.gas),
    wireSpeedMPerMin: speed,
    stickOutMm,
    gasFlowLPerMin: flowWindow?.wanted ?? 0,
  };
}

/** Starts for the search: today with the model's values where unknown, today brought into balance, the model's choice. */
export function searchStarts(situation: Situation, bounds: Bounds): Target[] {
  const model = startingPoint(situation, bounds);
  const today = withToday(situation.today, model);
  const current = currentAt(situation.setup, today.wireSpeedMPerMin, today.stickOutMm);
  const volts = balanceVoltage(withinCurrentRange(current), situation.setup.wire, situation.setup.gas);
  return [today, { ...today, voltageV: volts }, model];
}

function withToday(today: Today, fallback: Target): Target {
  return {
    voltageV: today.voltageV ?? fallback.voltageV,
    wireSpeedMPerMin: today.wireSpeedMPerMin ?? fallback.wireSpeedMPerMin,
    stickOutMm: today.stickOutMm ?? fallback.stickOutMm,
    gasFlowLPerMin: today.gasFlowLPerMin ?? fallback.gasFlowLPerMin,
  };
}
