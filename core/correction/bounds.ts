import { balanceVoltage } from '../arc/balance';
import { withinCurrentRange } from '../arc/reading';
import { currentAt, wireSpeedAt, type WireSetup } from '../arc/setup';
import { wireWindow, type WireWindow } from '../arc/wire-window';
import type { Case } from '../case/schema';
import { MAIN_SETTINGS, withinLimits } from '../setting/table';
import type { Situation, Target, Today } from './objective';
import type { Bounds } from './solver';

/** A machine of unknown range: what most can be set to. */
const DEFAULT_RANGE = {
  voltageV: { low: 12, high: 38, step: 0.1 },
  wireSpeedMPerMin: { low: 1.5, high: 20, step: 0.1 },
};

const withinRange = (value: number, { low, high }: { low: number; high: number }): number =>
  Math.min(high, Math.max(low, value));

/** What the wire can be run at in this position. */
function usableIn({ wire, ceiling }: WireSetup): WireWindow {
  const window = wireWindow(wire);
  return { ...window, highA: Math.min(window.highA, ceiling?.currentA ?? window.highA) };
}

/** Limits of machine, wire, position, nozzle and field taken together. */
export function boundsFor(input: Case, situation: Situation): Bounds {
  const range = { ...DEFAULT_RANGE, ...input.rig?.range };
  const { setup, flowWindow } = situation;
  const { low, high, wanted } = setup.usualStickOutMm;
  const usable = usableIn(setup);
  const wire = range.wireSpeedMPerMin;
  // Where machine and wire do not meet, the machine's nearest end is all there is.
  const reachable = (currentA: number): number => withinRange(wireSpeedAt(setup, currentA, wanted), wire);
  const bounds: Bounds = {
    voltageV: {
      ...range.voltageV,
      low: withinRange(usable.lowV ?? 0, range.voltageV),
      high: withinRange(usable.highV ?? Infinity, range.voltageV),
    },
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
  const usable = usableIn(setup);
  const stickOutMm = setup.usualStickOutMm.wanted;
  const current = withinRange(setup.currentAskedA ?? (usable.lowA + usable.highA) / 2, {
    low: usable.lowA,
    high: usable.highA,
  });
  const speed = withinRange(wireSpeedAt(setup, current, stickOutMm), bounds.wireSpeedMPerMin);
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
