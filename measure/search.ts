import { boundsFor, searchStarts } from '../core/correction/bounds';
import { objective, objectiveIn, type Situation, type Target } from '../core/correction/objective';
import { situationOf } from '../core/correction/situation';
import { solve, type Bounds } from '../core/correction/solver';
import { drawSpoiled, FAULTS } from '../core/correction/testing/spoiled';
import { diagnose } from '../core/diagnosis/diagnose';
import { ENGINE } from '../core/answer/engine';
import { MAIN_SETTINGS, type MainSetting } from '../core/setting/table';
import { stream } from '../core/chance/stream';

/** Steps of the grid that every point of is tried; the machine of these cases is set in the same. */
const STEP: { [name in MainSetting]: number } = {
  voltageV: 0.5,
  wireSpeedMPerMin: 0.25,
  stickOutMm: 2,
  gasFlowLPerMin: 1,
};

const steps = ({ low, high }: { low: number; high: number }, step: number): number[] => {
  const first = Math.ceil(low / step - 1e-9);
  const count = Math.floor(high / step + 1e-9) - first + 1;
  return Array.from({ length: Math.max(1, count) }, (_, i) => (first + i) * step);
};

/** The best of all volts, wire speeds and stick-outs; the flow goes its own way and is sought with the rest in place. */
function bruteForce(situation: Situation, bounds: Bounds, flow: number): Target {
  let best: Target | null = null;
  let least = Infinity;
  const risk = objectiveIn(situation);
  const look = (target: Target): void => {
    const value = risk(target);
    if (value < least) [best, least] = [target, value];
  };
  for (const voltageV of steps(bounds.voltageV, STEP.voltageV))
    for (const wireSpeedMPerMin of steps(bounds.wireSpeedMPerMin, STEP.wireSpeedMPerMin))
      for (const stickOutMm of steps(bounds.stickOutMm, STEP.stickOutMm))
        look({ voltageV, wireSpeedMPerMin, stickOutMm, gasFlowLPerMin: flow });
  const found = best as unknown as Target;
  for (const gasFlowLPerMin of steps(bounds.gasFlowLPerMin, STEP.gasFlowLPerMin)) look({ ...found, gasFlowLPerMin });
  return best as unknown as Target;
}

/**
 * The search for the corrected figures against trying every step: how often it lands within one step in each figure or
 * finds no worse a point, and how much faster it is.
 * @param count cases, spoiled as in `npm run evaluate`
 */
export function compareSearch(count: number): void {
  const random = stream(31);
  const time = { search: 0, brute: 0 };
  let [within, noWorse] = [0, 0];
  for (let i = 0; i < count; i++) {
    const { input: drawn } = drawSpoiled(random, FAULTS[i % FAULTS.length]);
    const range = {
      voltageV: { low: 12, high: 36, step: STEP.voltageV },
      wireSpeedMPerMin: { low: 1.5, high: 20, step: STEP.wireSpeedMPerMin },
    };
    const { dials: _, ...rig } = drawn.rig ?? {};
    const input = { ...drawn, rig: { ...rig, range } };
    const situation = situationOf({ engine: ENGINE, input, diagnosis: diagnose(ENGINE, input) }, null);
    if (situation === null) continue;
    const exact = boundsFor(input, situation);
    const bounds: Bounds = {
      ...exact,
      stickOutMm: { ...exact.stickOutMm, step: STEP.stickOutMm },
      gasFlowLPerMin: { ...exact.gasFlowLPerMin, step: STEP.gasFlowLPerMin },
    };
    const started = performance.now();
    const found = solve(situation, bounds, searchStarts(situation, bounds));
    const between = performance.now();
    const best = bruteForce(situation, bounds, found.gasFlowLPerMin);
    time.search += between - started;
    time.brute += performance.now() - between;
    const better = objective(situation, found) <= objective(situation, best) + 1e-9;
    if (better) noWorse += 1;
    if (better || MAIN_SETTINGS.every((name) => Math.abs(found[name] - best[name]) <= STEP[name] + 1e-9)) within += 1;
    if ((i + 1) % 100 === 0) console.error(`    … ${i + 1} of ${count}`);
  }
  console.log(
    `search for the corrected figures against trying every step, ${count} cases: within one step in every figure ${within}, no worse a point ${noWorse}; ${(time.brute / time.search).toFixed(0)} times faster`,
  );
}
