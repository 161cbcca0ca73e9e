import { roundToStep } from '../quantity/units';
import { dialToValue, valueToDial } from '../setting/dial';
import type { Dials } from '../setting/dials';
import { dialFor } from '../setting/dials';
import { MAIN_SETTINGS, type MainSetting } from '../setting/table';
import { objective, type Situation, type Target } from './objective';
import { patternSearch } from './pattern-search';

/** Limits and step of each setting: the machine's, the wire's and the nozzle's taken together. */
export type Bounds = { [name in MainSetting]: { low: number; high: number; step: number } };

/**
 * First stride of the search in each setting. It is halved well under the machine's steps: in the valley where volts,
 * wire and stick-out go together a search by whole steps comes to rest millimetres from the bottom.
 */
const FIRST_STRIDE: Target = { voltageV: 2, wireSpeedMPerMin: 1.5, stickOutMm: 4, gasFlowLPerMin: 3 };
/** Voltage and wire belong together: a step of the wire is also tried with the volts that follow it. */
const VOLTS_PER_STRIDE_OF_WIRE = 1.1;
/** Most times one search may ask for the risk; from any start some hundreds are enough. */
const MOST_TRIALS = 4000;

const eachSetting = (figure: (name: MainSetting) => number): Target => ({
  voltageV: figure('voltageV'),
  wireSpeedMPerMin: figure('wireSpeedMPerMin'),
  stickOutMm: figure('stickOutMm'),
  gasFlowLPerMin: figure('gasFlowLPerMin'),
});

/** A setting inside its bounds. */
export function clampTarget(target: Target, bounds: Bounds): Target {
  return eachSetting((name) => Math.min(bounds[name].high, Math.max(bounds[name].low, target[name])));
}

/** Each free setting a stride up and down; the wire also together with its volts. */
function neighbours(target: Target, scale: number, free: readonly MainSetting[]): Target[] {
  return free.flatMap((name) =>
    [1, -1].flatMap((sign) => {
      const stride = sign * FIRST_STRIDE[name] * scale;
      const alone = { ...target, [name]: target[name] + stride };
      if (name !== 'wireSpeedMPerMin' || !free.includes('voltageV')) return [alone];
      return [alone, { ...alone, voltageV: target.voltageV + stride * VOLTS_PER_STRIDE_OF_WIRE }];
    }),
  );
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
  free: readonly MainSetting[] = MAIN_SETTINGS,
  dials: Dials = {},
): Target {
  const ends = starts.map((start) =>
    patternSearch<MainSetting>(
      {
        value: (target) => objective(situation, target),
        clamp: (target) => clampTarget(target, bounds),
        neighbours: (target, scale) => neighbours(target, scale, free),
        limit: MOST_TRIALS,
      },
      start,
    ),
  );
  const best = ends.reduce((least, end) => (end.value < least.value ? end : least)).point;
  const settle = (name: MainSetting): number => {
    if (!free.includes(name)) return best[name];
    const dial = dialFor(dials, name);
    const { low, high, step } = bounds[name];
    const onMark = dial === null ? roundToStep(best[name], step) : dialToValue(dial, valueToDial(dial, best[name]));
    return Number(Math.min(high, Math.max(low, onMark)).toFixed(3));
  };
  return eachSetting(settle);
}
