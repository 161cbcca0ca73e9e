import { balanceVoltage } from '../arc/balance';
import { withinCurrentRange } from '../arc/reading';
import { currentAt } from '../arc/setup';
import { roundToStep } from '../quantity/units';
import { dialToValue, valueToDial } from '../setting/dial';
import type { Dials } from '../setting/dials';
import { dialFor } from '../setting/dials';
import { MAIN_SETTINGS, type MainSetting } from '../setting/table';
import { objective, type Situation, type Target } from './objective';
import { patternSearch, type Found } from './pattern-search';

/** Limits and step of each setting: the machine's, the wire's and the nozzle's taken together. */
export type Bounds = { [name in MainSetting]: { low: number; high: number; step: number } };

/**
 * First stride of the search in each setting. It is halved well under the machine's steps: in the valley where volts,
 * wire and stick-out go together a search by whole steps comes to rest millimetres from the bottom.
 */
const FIRST_STRIDE: Target = { voltageV: 2, wireSpeedMPerMin: 1.5, stickOutMm: 4, gasFlowLPerMin: 3 };
/** Voltage and wire belong together: a step of the wire is also tried with the volts that follow it. */
const VOLTS_PER_STRIDE_OF_WIRE = 1.1;
/** Scale of the strides once a figure has landed on its step and the others follow. */
const NEARBY = 0.25;
/** Most times one search may ask for the risk; from any start some hundreds are enough. */
const MOST_TRIALS = 4000;

/** A target whose free settings lie inside their bounds; what is held stays as it is, for the others must suit it. */
export function clampTarget(target: Target, bounds: Bounds, free: readonly MainSetting[] = MAIN_SETTINGS): Target {
  const clamped = { ...target };
  for (const name of free) clamped[name] = Math.min(bounds[name].high, Math.max(bounds[name].low, target[name]));
  return clamped;
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

/** Wire speeds that are looked at along the valley. */
const ALONG_THE_VALLEY = 24;

/**
 * The best point along the valley where volts follow the wire: under and over the spray transition lie bottoms of their
 * own, and a search that only walks downhill ends in the one it began in.
 */
function alongTheValley(
  situation: Situation,
  bounds: Bounds,
  start: Target,
  free: readonly MainSetting[],
): readonly Target[] {
  if (!free.includes('wireSpeedMPerMin') || !free.includes('voltageV')) return [];
  const { low, high } = bounds.wireSpeedMPerMin;
  const { setup } = situation;
  const points = Array.from({ length: ALONG_THE_VALLEY }, (_, i) => {
    const wireSpeedMPerMin = low + ((high - low) * i) / (ALONG_THE_VALLEY - 1);
    const stickOutMm = free.includes('stickOutMm') ? setup.usualStickOutMm.wanted : start.stickOutMm;
    const current = withinCurrentRange(currentAt(setup, wireSpeedMPerMin, stickOutMm));
    return clampTarget(
      { ...start, stickOutMm, wireSpeedMPerMin, voltageV: balanceVoltage(current, setup.wire, setup.gas) },
      bounds,
      free,
    );
  });
  return [points.reduce((least, point) => (objective(situation, point) < objective(situation, least) ? point : least))];
}

/** The order in which figures are brought to their steps: the coarse ones first, so that the finer ones can follow. */
const SETTLED_IN_TURN: readonly MainSetting[] = ['stickOutMm', 'voltageV', 'wireSpeedMPerMin', 'gasFlowLPerMin'];

/**
 * The settings with the least expected risk and cost of moving, inside the bounds. Where one of them lands on a coarse
 * step or a mark, the others are searched again from there.
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
  const search = (start: Target, movable: readonly MainSetting[], widest?: number): Found<MainSetting> =>
    patternSearch(
      {
        value: (target) => objective(situation, target),
        clamp: (target) => clampTarget(target, bounds, free),
        neighbours: (target, scale) => neighbours(target, scale, movable),
        limit: MOST_TRIALS,
      },
      start,
      widest,
    );
  const onStep = (name: MainSetting, value: number): number => {
    const dial = dialFor(dials, name);
    const { low, high, step } = bounds[name];
    const near = dial === null ? roundToStep(value, step) : dialToValue(dial, valueToDial(dial, value));
    return Number(Math.min(high, Math.max(low, near)).toFixed(3));
  };
  const along = alongTheValley(situation, bounds, clampTarget(starts[0], bounds, free), free);
  const ends = [...starts, ...along].map((start) => search(start, free));
  let { point } = ends.reduce((least, end) => (end.value < least.value ? end : least));
  let left = SETTLED_IN_TURN.filter((name) => free.includes(name));
  while (left.length > 0) {
    const [name, ...rest] = left;
    point = search({ ...point, [name]: onStep(name, point[name]) }, rest, NEARBY).point;
    left = rest;
  }
  return point;
}
