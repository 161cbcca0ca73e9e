import { voltsOfGoodBead } from '@/core/arc/good-bead';
import type { Rig } from '@/core/case/schema';
import { fromUser, readable, unitOf, type Quantity, type UnitSystem } from '@/core/quantity/units';
import type { KnobWork } from '@/core/record/shapes/knob-work-schema';
import { dialToValue, type Dial, type DialPoint, type DialScale, type PairSource } from '@/core/setting/dial';
import { pairProblem, type FigureDial } from '@/core/setting/dial-belief';
import { markFromText, markText, takesMarkText, TAP_LETTERS } from '@/core/setting/dial-marks';
import { SETTINGS, takesFigure } from '@/core/setting/table';
import { typedAboveZero, typedFigure } from '../../shared/record-form';

/** A field of the work that cannot be taken, and what it takes. */
export type WorkProblem = {
  field: 'low' | 'high' | 'step' | 'names' | 'mark' | 'figure' | 'length' | 'wire';
  text: string;
};

const NOTHING_TYPED = { mark: '', figure: '', seconds: '6', length: '', wire: '' };

/** Returns whether a machine shows its volts while it welds; taken for so where nothing is said. */
export const showsVolts = ({ meters }: Pick<Rig, 'meters'>): boolean => meters?.includes('volts') ?? true;

/**
 * Returns how a pair of each knob is usually got, the surest first. Without a meter of its own a machine's volts are easiest told by
 * a bead; a meter can still be clipped on.
 */
export function sourcesOf(name: FigureDial, { meters }: Pick<Rig, 'meters'>): readonly PairSource[] {
  if (name === 'wireSpeedMPerMin') return ['run-out', 'plate'];
  return showsVolts({ meters }) ? ['meter', 'good-bead', 'plate'] : ['good-bead', 'meter', 'plate'];
}

const ENDS: Record<DialScale, Pick<KnobWork, 'low' | 'high' | 'step' | 'names'>> = {
  numbers: { low: '1', high: '10', step: '0.5', names: '' },
  'per-cent': { low: '0', high: '100', step: '1', names: '' },
  clock: { low: '7', high: '5', step: '0.25', names: '' },
  taps: { low: '', high: '', step: '1', names: TAP_LETTERS.slice(0, 6).join(' ') },
};

/** A knob as it usually is on a scale; the pairs of another scale mean nothing on it. */
export function onScale(work: KnobWork, scale: KnobWork['scale']): KnobWork {
  if (scale === 'figures') return { ...work, scale };
  return { ...work, scale, ...ENDS[scale], points: [], ...NOTHING_TYPED };
}

/**
 * The work on a knob as it begins.
 * @param dial as it is kept; none for a knob that is not taken down
 * @param marked whether the machine is said to be read off marks: then a knob that is not taken down has numbers
 * @param rig whose meters say how a pair is got most easily
 */
export function workOn(
  name: FigureDial,
  dial: Dial | undefined,
  marked = false,
  rig: Pick<Rig, 'meters'> = {},
): KnobWork {
  const [by] = sourcesOf(name, rig);
  const base: KnobWork = { scale: 'figures', ...ENDS.numbers, points: [], by, ...NOTHING_TYPED };
  if (dial === undefined) return marked ? onScale(base, 'numbers') : base;
  const { scale = 'numbers', points, step, names = [] } = dial;
  const marks = points.map(({ mark }) => mark);
  return {
    ...base,
    scale,
    points,
    low: markText({ scale }, dial.low ?? Math.min(...marks)),
    high: markText({ scale }, dial.high ?? Math.max(...marks)),
    step: String(step),
    names: names.join(' '),
  };
}

/**
 * The work in the units of the reader: what was typed in the others is converted, so that it goes on meaning what it meant.
 * @param wireIsMark whether the wire of a good bead is typed as a mark
 */
export function inUnits(name: FigureDial, work: KnobWork, units: UnitSystem, wireIsMark: boolean): KnobWork {
  const was = work.units ?? units;
  if (was === units) return { ...work, units };
  const converted = (text: string, quantity: Quantity): string => {
    const figure = typedFigure(text);
    return figure === undefined || Number.isNaN(figure)
      ? text
      : readable(fromUser(figure, quantity, was), quantity, units);
  };
  return {
    ...work,
    units,
    length: converted(work.length, 'length'),
    figure: converted(work.figure, SETTINGS[name].quantity),
    wire: wireIsMark ? work.wire : converted(work.wire, 'wireSpeed'),
  };
}

const tapNames = (names: string): string[] => names.split(/[\s,;]+/).filter((name) => name !== '');

/** A knob whose pairs are left aside: its scale, ends and step. */
export type Knob = Pick<Dial, 'scale' | 'names' | 'step'> & { low: number; high: number };

/** The knob that was described, or the first field that is not one. */
export function knobOf(work: KnobWork): { knob: Knob; problem: null } | { knob: null; problem: WorkProblem } {
  const refuse = (field: WorkProblem['field'], text: string) => ({ knob: null, problem: { field, text } });
  const { scale } = work;
  if (scale === 'figures') return refuse('low', 'A knob with real figures needs no pairs.');
  if (scale === 'taps') {
    const names = tapNames(work.names);
    if (names.length < 2 || names.length > 40 || names.some((name) => name.length > 8))
      return refuse('names', 'Takes 2 to 40 names of up to 8 letters, with a space between: A B C.');
    if (new Set(names).size < names.length) return refuse('names', 'Takes each name once.');
    return { knob: { scale, names, step: 1, low: 1, high: names.length }, problem: null };
  }
  const anywhere = scale === 'clock' ? { low: 1, high: 24 } : { low: -100, high: 1000 };
  const low = markFromText({ scale }, anywhere, work.low);
  if (low === null)
    return refuse('low', scale === 'clock' ? 'Takes an hour such as 7 or 7:30.' : 'Takes a mark from -100 to 1000.');
  const high = markFromText({ scale }, scale === 'clock' ? { low: low + 0.01, high: low + 12 } : anywhere, work.high);
  if (high === null)
    return refuse('high', scale === 'clock' ? 'Takes an hour such as 5 or 4:30.' : 'Takes a mark from -100 to 1000.');
  if (high <= low) return refuse('high', 'Takes a mark above the one where the knob begins.');
  const step = typedAboveZero(work.step);
  if (step === null || step < 0.01 || step > Math.min(50, high - low))
    return refuse('step', 'Takes the smallest turn a hand can set, above 0 and within the knob.');
  return { knob: { scale, step, low, high }, problem: null };
}

/** The dial that the work makes; null while it has fewer than two pairs, or the knob is none. */
export function dialOf(work: KnobWork): Dial | null {
  const { knob } = knobOf(work);
  if (knob === null || work.points.length < 2) return null;
  const { names, ...rest } = knob;
  const inside = work.points.filter(({ mark }) => mark >= knob.low && mark <= knob.high);
  if (inside.length < 2) return null;
  return { ...rest, ...(names === undefined ? {} : { names }), points: [...inside].sort((a, b) => a.mark - b.mark) };
}

/** What the figure of a good bead is worked out from. */
type On = { rig: Rig; units: UnitSystem };

/** The wire speed of a good bead: typed as the machine's mark where its wire has a knob, else as a figure. */
function wireOf(text: string, { rig, units }: On): number | WorkProblem {
  const dial = rig.dials?.wireSpeedMPerMin;
  if (dial !== undefined) {
    const work = workOn('wireSpeedMPerMin', dial);
    const { knob } = knobOf(work);
    const mark = knob === null ? null : markFromText(knob, knob, text);
    if (mark !== null) return dialToValue(dial, mark);
    return { field: 'wire', text: `Wire ${knob === null ? 'takes a mark' : takesMarkText(knob, knob)}.` };
  }
  const typed = typedAboveZero(text);
  const speed = typed === null ? null : fromUser(typed, 'wireSpeed', units);
  return speed !== null && takesFigure('wireSpeedMPerMin', speed)
    ? speed
    : { field: 'wire', text: `Wire takes a speed in ${unitOf('wireSpeed', units)}.` };
}

/** The figure of the pair that is being taken down, in the inside unit, or what is wrong with it. */
export function pairFigure(name: FigureDial, work: KnobWork, on: On): number | WorkProblem {
  const { quantity, name: called } = SETTINGS[name];
  if (work.by === 'run-out') {
    const [length, seconds] = [typedAboveZero(work.length), typedAboveZero(work.seconds)];
    if (length === null || seconds === null)
      return {
        field: 'length',
        text: 'A run-out takes the length that came out and the seconds it took, both above 0.',
      };
    const speed = (fromUser(length, 'length', on.units) / 1000 / seconds) * 60;
    return takesFigure(name, speed)
      ? speed
      : {
          field: 'length',
          text: `That would be ${readable(speed, quantity, on.units)} ${unitOf(quantity, on.units)}, which no drive does. Measure again.`,
        };
  }
  if (work.by === 'good-bead') {
    const wire = wireOf(work.wire, on);
    if (typeof wire !== 'number') return wire;
    const volts = voltsOfGoodBead(on.rig, wire, null);
    return volts ?? { field: 'wire', text: 'The rig’s wire has to be known, and set by volts.' };
  }
  const typed = typedAboveZero(work.figure);
  const figure = typed === null ? null : fromUser(typed, quantity, on.units);
  if (figure !== null && takesFigure(name, figure)) return figure;
  const { minimum, maximum } = SETTINGS[name];
  const ends = [minimum, maximum].map((end) => readable(end, quantity, on.units));
  return { field: 'figure', text: `${called} takes ${ends.join(' to ')} ${unitOf(quantity, on.units)}.` };
}

/**
 * Takes the pair down that was typed. Measured again on a mark that stands, the newer pair takes its place.
 * @returns the work with the pair and its fields empty; or the field that is wrong, with nothing lost
 */
export function withPair(name: FigureDial, work: KnobWork, on: On): KnobWork | WorkProblem {
  const { knob, problem } = knobOf(work);
  if (knob === null) return problem;
  const mark = markFromText(knob, knob, work.mark);
  if (mark === null) return { field: 'mark', text: `Mark ${takesMarkText(knob, knob)}.` };
  const value = pairFigure(name, work, on);
  if (typeof value !== 'number') return value;
  const point: DialPoint = { mark, value: Number(value.toFixed(3)), by: work.by };
  const others = work.points.filter((other) => Math.abs(other.mark - mark) > 1e-9);
  if (pairProblem(others, point) === 'backward')
    return {
      field: 'mark',
      text: 'That pair runs backward beside the others: more on the knob has to give more. Measure again, or take the other one out.',
    };
  return { ...work, points: [...others, point].sort((a, b) => a.mark - b.mark), ...NOTHING_TYPED };
}

export const isWorkProblem = (made: KnobWork | WorkProblem | number): made is WorkProblem =>
  typeof made === 'object' && 'field' in made;
