import { flowWindowOf } from '../arc/reading';
import { balancedVolts, currentAt, wireSpeedAt, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { wireWindow, type WireWindow } from '../arc/wire-window';
import type { Case } from '../case/schema';
import { machineRange } from '../setting/machine-range';
import { MAIN_SETTINGS, withinLimits } from '../setting/table';
import type { Situation, Target } from './objective';
import { clampTarget, type Bound, type Bounds } from './solver';
import { clamp } from '../quantity/clamp';

const withinRange = (value: number, { low, high }: { low: number; high: number }): number => clamp(value, low, high);

/** Returns what the wire can be run at in this position. */
function usableIn({ wire, pulse, ceiling }: WireSetup): WireWindow {
  const window = wireWindow(wire, pulse);
  return { ...window, highA: Math.min(window.highA, ceiling?.currentA ?? window.highA) };
}

/** How far over a ceiling today's wire speed may lie before it is taken down for that alone: the ceilings are no finer. */
const OVER_THE_CEILING = 1.12;

/** Limits with a step between them; where none lies between, the nearest step is all there is. */
export function onSteps(low: number, high: number, step: number): Bound {
  if (Math.ceil(low / step - 1e-9) <= Math.floor(high / step + 1e-9)) return { low, high, step };
  const near = Number((Math.round(low / step) * step).toFixed(3));
  return { low: near, high: near, step };
}

/** Limits of machine, wire, position, nozzle and field taken together. */
export function boundsFor(input: Case, situation: Situation): Bounds {
  const rig = input.rig ?? {};
  const range = { voltageV: machineRange(rig, 'voltageV'), wireSpeedMPerMin: machineRange(rig, 'wireSpeedMPerMin') };
  const { setup, today } = situation;
  const { wanted } = usualStickOut(setup, null);
  const usable = usableIn(setup);
  const wire = range.wireSpeedMPerMin;
  // Where machine and wire do not meet, the machine's nearest end is all there is.
  const reachable = (currentA: number): number => withinRange(wireSpeedAt(setup, currentA, wanted), wire);
  const top = reachable(usable.highA);
  const near = today.wireSpeedMPerMin !== null && today.wireSpeedMPerMin <= OVER_THE_CEILING * top;
  const ends = [usable.lowA, usable.highA].map((currentA) => usualStickOut(setup, currentA));
  const flow = flowWindowOf(setup, wanted, setup.currentAskedA);
  const bounds: Bounds = {
    voltageV: {
      ...range.voltageV,
      low: withinRange((usable.lowV ?? 0) - setup.machine.offsetV, range.voltageV),
      high: withinRange((usable.highV ?? Infinity) - setup.machine.offsetV, range.voltageV),
    },
    wireSpeedMPerMin: {
      low: reachable(usable.lowA),
      high: near ? withinRange(Math.max(top, today.wireSpeedMPerMin ?? 0), wire) : top,
      step: wire.step,
    },
    stickOutMm: {
      low: Math.min(...ends.map(({ low }) => low)),
      high: Math.max(...ends.map(({ high }) => high)),
      step: 1,
    },
    gasFlowLPerMin: flow === null ? { low: 0, high: 30, step: 0.5 } : { low: flow.low, high: flow.high, step: 0.5 },
  };
  for (const name of MAIN_SETTINGS) {
    const { low: lowest, high: highest, step } = bounds[name];
    bounds[name] = onSteps(withinLimits(name, lowest), withinLimits(name, highest), step);
  }
  // A distance or a flow outside its window may be what the bead shows nothing of: it is not moved for that alone.
  for (const name of ['stickOutMm', 'gasFlowLPerMin'] as const) {
    const stands = today[name] ?? bounds[name].low;
    bounds[name] = {
      ...bounds[name],
      low: Math.min(bounds[name].low, stands),
      high: Math.max(bounds[name].high, stands),
    };
  }
  return bounds;
}

/** The model's own choice: current for the plate, volts in balance, usual stick-out and flow. */
function startingPoint(situation: Situation): Target {
  const { setup } = situation;
  const usable = usableIn(setup);
  const current = withinRange(setup.currentAskedA ?? (usable.lowA + usable.highA) / 2, {
    low: usable.lowA,
    high: usable.highA,
  });
  const stickOutMm = usualStickOut(setup, current).wanted;
  return {
    voltageV: balancedVolts(setup, current),
    wireSpeedMPerMin: wireSpeedAt(setup, current, stickOutMm),
    stickOutMm,
    gasFlowLPerMin: flowWindowOf(setup, stickOutMm, current)?.wanted ?? 0,
  };
}

/**
 * Starts for the search: today with the model's values where unknown, first of all; today brought into balance; the
 * model's choice; and today with its distance and flow put right.
 */
export function searchStarts(situation: Situation, bounds: Bounds): Target[] {
  const model = clampTarget(startingPoint(situation), bounds);
  const { setup } = situation;
  const today = Object.fromEntries(MAIN_SETTINGS.map((name) => [name, situation.today[name] ?? model[name]])) as Target;
  const balanced = (from: Target): Target => {
    const current = currentAt(setup, from.wireSpeedMPerMin, from.stickOutMm);
    return { ...from, voltageV: balancedVolts(setup, current) };
  };
  const tidy = { ...today, stickOutMm: model.stickOutMm, gasFlowLPerMin: model.gasFlowLPerMin };
  return [today, balanced(today), tidy, balanced(tidy), model];
}
