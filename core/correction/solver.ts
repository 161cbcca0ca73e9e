import { balancedVolts, currentAt } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import { roundToStep } from '../quantity/units';
import { dialToValue, valueToDial } from '../setting/dial';
import { dialFor, type Dials } from '../setting/dials';
import { MAIN_SETTINGS, SETTINGS, type MainSetting } from '../setting/table';
import { objectiveIn, type Situation, type Target } from './objective';
import { patternSearch, type Found } from './pattern-search';
import { clamp } from '../quantity/clamp';

/** Limits and step of each setting: the machine's, the wire's and the nozzle's taken together. */
export type Bounds = { [name in MainSetting]: Bound };
/** `strict` where a figure may not stay outside even by less than a turn is worth. */
export type Bound = { low: number; high: number; step: number; strict?: true };

/** Returns the cost of a target, which the search minimises. */
type Value = (target: Target) => number;

const leaves = ({ low, high, strict }: Bound, value: number): boolean =>
  strict === true && (value < low - 1e-9 || value > high + 1e-9);

/**
 * First stride of the search in each setting. It is halved well under the machine's steps: in the valley where volts,
 * wire and stick-out go together a search by whole steps comes to rest millimetres from the bottom.
 */
const FIRST_STRIDE: Target = { voltageV: 2, wireSpeedMPerMin: 1.5, stickOutMm: 4, gasFlowLPerMin: 3 };
/** Voltage and wire belong together: a step of the wire is also tried with the volts that follow it. */
const VOLTS_PER_STRIDE_OF_WIRE = 1.1;
/** Scale of the strides down to which the bottoms are told apart, and from which the others follow once a figure has landed on its step. */
const NEARBY = 0.25;
/** The finest scale of the strides. */
const FINEST = 0.03;
/** Most times one search may ask for the risk; from any start some hundreds are enough. */
const MOST_TRIALS = 4000;

/** A target whose free settings lie inside their bounds; what is held stays as it is, for the others must suit it. */
export function clampTarget(target: Target, bounds: Bounds, free: readonly MainSetting[] = MAIN_SETTINGS): Target {
  const clamped = { ...target };
  for (const name of free) clamped[name] = clamp(target[name], bounds[name].low, bounds[name].high);
  return clamped;
}

/** Each free setting a stride up and down; the wire also together with its volts. */
function neighbours(target: Target, scale: number, free: readonly MainSetting[]): Target[] {
  const all: Target[] = [];
  const isWithVolts = free.includes('voltageV');
  for (const name of free)
    for (const sign of [1, -1]) {
      const stride = sign * FIRST_STRIDE[name] * scale;
      const alone = { ...target };
      alone[name] += stride;
      all.push(alone);
      if (name !== 'wireSpeedMPerMin' || !isWithVolts) continue;
      all.push({ ...alone, voltageV: target.voltageV + stride * VOLTS_PER_STRIDE_OF_WIRE });
    }
  return all;
}

/** Of all the starts, the best are searched from: the valley has two bottoms at most. */
const SEARCHED_FROM = 3;

/** Wire speeds that are looked at along the valley. */
const ALONG_THE_VALLEY = 24;

/**
 * The best point along the valley where volts follow the wire: under and over the spray transition lie bottoms of their
 * own, and a search that only walks downhill ends in the one it began in.
 */
function alongTheValley(
  { setup }: Situation,
  value: Value,
  bounds: Bounds,
  start: Target,
  free: readonly MainSetting[],
): readonly Target[] {
  if (!free.includes('wireSpeedMPerMin')) return [];
  const { low, high } = bounds.wireSpeedMPerMin;
  const points = Array.from({ length: ALONG_THE_VALLEY }, (_, i) => {
    const wireSpeedMPerMin = low + ((high - low) * i) / (ALONG_THE_VALLEY - 1);
    const near = currentAt(setup, wireSpeedMPerMin, start.stickOutMm);
    const stickOutMm = free.includes('stickOutMm') ? usualStickOut(setup, near).wanted : start.stickOutMm;
    const voltageV = free.includes('voltageV')
      ? balancedVolts(setup, currentAt(setup, wireSpeedMPerMin, stickOutMm))
      : start.voltageV;
    return clampTarget({ ...start, stickOutMm, wireSpeedMPerMin, voltageV }, bounds, free);
  });
  return points
    .map((point) => ({ point, cost: value(point) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, 1)
    .map(({ point }) => point);
}

/** A figure and where it may come to rest: on the steps of the machine or the marks of its knob, inside the bounds. */
type Grid = {
  onStep: (name: MainSetting, value: number) => number;
  /** The next step or mark, up or down. */
  next: (name: MainSetting, value: number, way: 1 | -1) => number;
};

function gridOf(bounds: Bounds, dials: Dials): Grid {
  const inside = (name: MainSetting, value: number): number => {
    const { low, high } = bounds[name];
    return value >= low - 1e-9 && value <= high + 1e-9 ? value : NaN;
  };
  const landed = (name: MainSetting, value: number): number => {
    const dial = dialFor(dials, name);
    const near = dial === null ? roundToStep(value, bounds[name].step) : dialToValue(dial, valueToDial(dial, value));
    return Number(near.toFixed(3));
  };
  const next = (name: MainSetting, value: number, way: 1 | -1): number => {
    const dial = dialFor(dials, name);
    if (dial === null) return inside(name, landed(name, value + way * bounds[name].step));
    const mark = valueToDial(dial, value);
    const rising = dialToValue(dial, mark + dial.step) > dialToValue(dial, mark);
    const other = landed(name, dialToValue(dial, mark + (rising ? way : -way) * dial.step));
    return other === value ? NaN : inside(name, other);
  };
  const onStep = (name: MainSetting, value: number): number => {
    const near = landed(name, value);
    if (!Number.isNaN(inside(name, near))) return near;
    // The step nearest to an end may lie past it: the one before it is taken, unless the range holds no step at all.
    const back = next(name, near, near > bounds[name].high ? -1 : 1);
    return Number.isNaN(back) ? clamp(near, bounds[name].low, bounds[name].high) : back;
  };
  return { onStep, next };
}

/** The figure nearest to a value that the machine can be set to, inside the bounds. */
export function settableNear(bounds: Bounds, dials: Dials | undefined, name: MainSetting, value: number): number {
  const { low, high } = bounds[name];
  return gridOf(bounds, dials ?? {}).onStep(name, clamp(value, low, high));
}

/** Pairs that are stepped together, since one makes good what the other does. */
const TOGETHER: readonly (readonly [MainSetting, 1 | -1])[][] = [
  [
    ['voltageV', 1],
    ['wireSpeedMPerMin', 1],
  ],
  [
    ['stickOutMm', 1],
    ['wireSpeedMPerMin', 1],
  ],
  [
    ['stickOutMm', 1],
    ['voltageV', -1],
  ],
];

/** Steps from a point on the grid to its neighbours: one figure, or two that go together. */
function stepsFrom(point: Target, grid: Grid, moved: readonly MainSetting[]): Target[] {
  const alone = moved.map((name) => [[name, 1]] as const);
  return [...alone, ...TOGETHER].flatMap((step) => {
    if (!step.every(([name]) => moved.includes(name))) return [];
    return ([1, -1] as const).flatMap((way) => {
      const to = { ...point };
      for (const [name, sign] of step) to[name] = grid.next(name, point[name], (sign * way) as 1 | -1);
      return Object.values(to).some(Number.isNaN) ? [] : [to];
    });
  });
}

/** A machine has some hundred steps a knob, and each step taken is a better one; beyond this something goes round. */
const MOST_STEPS = 1000;

/** From figures between the steps to the best ones on them near by. @throws Error where it comes to no rest */
function landOnSteps(value: Value, grid: Grid, from: Target, moved: readonly MainSetting[]): Target {
  let point = { ...from };
  for (const name of moved) point[name] = grid.onStep(name, from[name]);
  let least = value(point);
  for (let step = 0; step < MOST_STEPS; step++) {
    const better = stepsFrom(point, grid, moved)
      .map((to) => ({ to, cost: value(to) }))
      .reduce((best, step) => (step.cost < best.cost ? step : best), { to: point, cost: least - 1e-9 });
    if (better.to === point) return point;
    ({ to: point, cost: least } = better);
  }
  throw new Error(`no best figures on the machine's steps within ${MOST_STEPS} of them`);
}

/**
 * The settings with the least expected risk and cost of lying away from the sound setting, inside the bounds. A figure
 * that would move by less than the hand on the knob is fine stays as it is, and the others are found anew for it; what
 * moves comes to rest on the machine's steps or marks.
 * @param starts points to search from; the best end wins; the first one is today
 * @param free settings that may change; the others stay as today
 * @param dials knobs with marks: the answer lands on a mark
 */
export function solve(
  situation: Situation,
  bounds: Bounds,
  starts: readonly Target[],
  free: readonly MainSetting[] = MAIN_SETTINGS,
  dials: Dials = {},
): Target {
  const [today] = starts;
  const value = objectiveIn(situation);
  const known = (name: MainSetting): boolean => situation.today[name] !== null;
  const search = (
    start: Target,
    movable: readonly MainSetting[],
    strides: { widest: number; finest: number },
  ): Found<MainSetting> =>
    patternSearch(
      {
        value,
        clamp: (target) => clampTarget(target, bounds, movable),
        neighbours: (target, scale) => neighbours(target, scale, movable),
        limit: MOST_TRIALS,
      },
      start,
      strides,
    );
  const held = Object.fromEntries(
    MAIN_SETTINGS.filter((name) => !free.includes(name)).map((name) => [name, today[name]]),
  );
  const from = starts.map((start) => ({ ...start, ...held }));
  const all = [...from, ...alongTheValley(situation, value, bounds, from[0], free)].map((start) =>
    clampTarget(start, bounds, free),
  );
  const likely = all
    .map((start) => ({ start, cost: value(start) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, SEARCHED_FROM);
  const ends = likely.map(({ start }) => search(start, free, { widest: 1, finest: NEARBY }));
  const end = ends.reduce((least, one) => (one.value < least.value ? one : least));
  let { point } = search(end.point, free, { widest: NEARBY / 2, finest: FINEST });
  const grid = gridOf(bounds, dials);
  let moved = [...free];
  // Each round holds one figure more.
  for (let round = 0; round <= free.length; round++) {
    const target = landOnSteps(value, grid, point, moved);
    const still = moved.filter(
      (name) =>
        known(name) &&
        Math.abs(target[name] - today[name]) < SETTINGS[name].worthMoving &&
        !leaves(bounds[name], today[name]),
    );
    if (still.length === 0) return target;
    moved = moved.filter((name) => !still.includes(name));
    const kept = Object.fromEntries(still.map((name) => [name, today[name]]));
    point = search({ ...target, ...kept }, moved, { widest: NEARBY, finest: FINEST }).point;
  }
  throw new Error('no settings found: in each round another figure was held');
}
