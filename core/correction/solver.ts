import { dialToValue, valueToDial, type Dial } from '../quantity/dial';
import { roundToStep } from '../quantity/units';
import { objective, type Situation, type Target, type TargetName } from './objective';

/** Limits and step of each setting: the machine's, the wire's and the nozzle's taken together. */
export type Bounds = { [name in TargetName]: { low: number; high: number; step: number } };

const NAMES: readonly TargetName[] = ['voltageV', 'wireSpeedMPerMin', 'stickOutMm', 'gasFlowLPerMin'];

/** First stride of the search in each setting; it is halved until under the machine's step. */
const FIRST_STRIDE: Target = { voltageV: 2, wireSpeedMPerMin: 1.5, stickOutMm: 4, gasFlowLPerMin: 3 };

/** A setting inside its bounds. */
export function clampTarget(target: Target, bounds: Bounds): Target {
  const clamp = (name: TargetName): number => Math.min(bounds[name].high, Math.max(bounds[name].low, target[name]));
  return {
    voltageV: clamp('voltageV'),
    wireSpeedMPerMin: clamp('wireSpeedMPerMin'),
    stickOutMm: clamp('stickOutMm'),
    gasFlowLPerMin: clamp('gasFlowLPerMin'),
  };
}

/**
 * Pattern search from one start: try each free setting a stride up and down, keep what is better, halve the
 * strides when nothing is. The objective is smooth and low-dimensional, so this is enough and has no tuning.
 */
function descend(
  situation: Situation,
  bounds: Bounds,
  start: Target,
  free: readonly TargetName[],
): { target: Target; value: number } {
  let target = clampTarget(start, bounds);
  let value = objective(situation, target);
  for (let scale = 1; scale > 0.02; scale /= 2) {
    for (let improved = true; improved;) {
      improved = false;
      for (const name of free) {
        for (const sign of [1, -1]) {
          const stride = Math.max(bounds[name].step / 2, FIRST_STRIDE[name] * scale);
          const trial = clampTarget({ ...target, [name]: target[name] + sign * stride }, bounds);
          // Voltage and wire belong together: also try the wire with the volts that follow it (about 1.5 V per m/min).
          const follow = name === 'wireSpeedMPerMin' && free.includes('voltageV');
          const pair = follow
            ? clampTarget({ ...trial, voltageV: target.voltageV + sign * stride * 1.1 }, bounds)
            : trial;
          for (const candidate of follow ? [trial, pair] : [trial]) {
            const next = objective(situation, candidate);
            if (next < value - 1e-9) {
              [target, value, improved] = [candidate, next, true];
            }
          }
        }
      }
    }
  }
  return { target, value };
}

/**
 * The settings with the least expected risk and cost of moving, inside the bounds.
 * @param starts points to search from; the best end wins
 * @param free settings that may change; the others stay as in each start
 * @param dials knobs with marks: the answer lands on a mark
 * @returns a target rounded to the machine's steps
 */
export function solve(
  situation: Situation,
  bounds: Bounds,
  starts: readonly Target[],
  free: readonly TargetName[] = NAMES,
  dials: { [name in TargetName]?: Dial } = {},
): Target {
  const ends = starts.map((start) => descend(situation, bounds, start, free));
  const best = ends.reduce((least, end) => (end.value < least.value ? end : least)).target;
  const settle = (name: TargetName): number => {
    if (!free.includes(name)) return best[name];
    const dial = dials[name];
    const onMark =
      dial === undefined
        ? roundToStep(best[name], bounds[name].step)
        : dialToValue(dial, valueToDial(dial, best[name]));
    return Number(Math.min(bounds[name].high, Math.max(bounds[name].low, onMark)).toFixed(3));
  };
  return {
    voltageV: settle('voltageV'),
    wireSpeedMPerMin: settle('wireSpeedMPerMin'),
    stickOutMm: settle('stickOutMm'),
    gasFlowLPerMin: settle('gasFlowLPerMin'),
  };
}
