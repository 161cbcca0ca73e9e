import { flowWindowOf } from '../arc/reading';
import { balancedVolts, currentAt, wireSpeedAt, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { wireWindow, type WireWindow } from '../arc/wire-window';
import type { Case } from '../case/schema';
import { dialRange } from '../setting/dial';
import { MAIN_SETTINGS, withinLimits } from '../setting/table';
import type { Situation, Target } from './objective';
import { clampTarget, type Bounds } from './solver';

/** A machine of unknown range: what most can be set to. */
const DEFAULT_RANGE = {
  voltageV: { low: 12, high: 38, step: 0.1 },
  wireSpeedMPerMin: { low: 1.5, high: 20, step: 0.1 },
};

const withinRange = (value: number, { low, high }: { low: number; high: number }): number =>
  Math.min(high, Math.max(low, value));

type Range = { low: number; high: number; step: number };

/** What a machine can be set to: its range as stated, no further than its knob turns. */
function rangeOf({ range, dials }: NonNullable<Case['rig']>, name: 'voltageV' | 'wireSpeedMPerMin'): Range {
  const stated = range?.[name];
  const dial = dials?.[name];
  if (dial === undefined) return stated ?? DEFAULT_RANGE[name];
  const { step } = stated ?? DEFAULT_RANGE[name];
  const knob = dialRange(dial);
  const { low, high } = stated ?? knob;
  const both = { low: Math.max(low, knob.low), high: Math.min(high, knob.high), step };
  // A range and a knob that do not meet were not taken down from one machine: the knob is what a hand turns.
  return both.low < both.high ? both : { ...knob, step };
}

/** What the wire can be run at in this position. */
function usableIn({ wire, ceiling }: WireSetup): WireWindow {
  const window = wireWindow(wire);
  return { ...window, highA: Math.min(window.highA, ceiling?.currentA ?? window.highA) };
}

/** How far over a ceiling today's wire speed may lie before it is taken down for that alone: the ceilings are no finer. */
const OVER_THE_CEILING = 1.12;

/** Limits of machine, wire, position, nozzle and field taken together. */
export function boundsFor(input: Case, situation: Situation): Bounds {
  const rig = input.rig ?? {};
  const range = { voltageV: rangeOf(rig, 'voltageV'), wireSpeedMPerMin: rangeOf(rig, 'wireSpeedMPerMin') };
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
    bounds[name] = { low: withinLimits(name, lowest), high: withinLimits(name, highest), step };
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
