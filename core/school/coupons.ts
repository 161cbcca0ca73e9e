import { hasFigures, startAnswer, type StartAnswer } from '../answer';
import type { Case, Settings } from '../case/schema';
import type { Engine } from '../diagnosis/engine';
import { dialEnds, dialToValue, valueToDial } from '../setting/dial';
import { dialFor, type Dials } from '../setting/dials';
import { KNOBS, type Knob } from './one-knob';
import { clamp } from '../quantity/clamp';

/** A bead to be run: its figures, and what it should teach. */
type CouponBead = { settings: Settings; isRight: boolean };
/** Beads of one plate, one figure turned from low to high; what to look and listen for on the way. */
export type CouponSet = { knob: Knob; beads: CouponBead[]; low: string; high: string };
/** Plates to run for real, with the figures of this rig. */
export type CouponSheet = { sets: CouponSet[] } & Pick<StartAnswer, 'cautions' | 'gate' | 'held' | 'misfits'>;

/** How far each figure is turned from the right one, bead by bead: volts in V, the others as a share. */
const TURNED: Record<Knob, readonly number[]> = {
  voltageV: [-3, -1.5, 0, 1.5, 3],
  wireSpeedMPerMin: [-0.3, -0.15, 0, 0.15, 0.3],
  stickOutMm: [-0.3, 0, 0.3, 0.6, 0.9],
};
/** What either end teaches. Source: the trade's own practice of one knob at a time. */
const ENDS: Record<Knob, { low: string; high: string }> = {
  voltageV: {
    low: 'pops in bursts, the wire pushes, a tall rope that does not wet in',
    high: 'hiss instead of crackle, a flat wide bead, undercut, big drops',
  },
  wireSpeedMPerMin: {
    low: 'hiss and plops, the wire burns back toward the tip, a thin cold bead',
    high: 'stubbing and pops, the gun is pushed back, a tall cold rope',
  },
  stickOutMm: {
    low: 'hotter and crisper, spatter on the nozzle, hard to see',
    high: 'softer and colder, a ropey bead, holes as the gas is left behind',
  },
};
/** Steps that a hand can set where the machine has no marks. */
const STEPS: Record<Knob, number> = { voltageV: 0.5, wireSpeedMPerMin: 0.1, stickOutMm: 1 };

/** The nearest figure that the machine's own knob stands still on, or that a hand can set. */
function settable(knob: Knob, value: number, dials: Dials): number {
  const dial = dialFor(dials, knob);
  if (dial === null) return Math.round(value / STEPS[knob]) * STEPS[knob];
  const { low, high } = dialEnds(dial);
  const mark = Math.round(valueToDial(dial, value) / dial.step) * dial.step;
  return dialToValue(dial, clamp(mark, low, high));
}

/** Beads of one plate; where the knob is too coarse for two of them, one stands. */
function setOf(knob: Knob, right: Settings, dials: Dials): CouponSet {
  const middle = right[knob] ?? 0;
  const beads = TURNED[knob].map((turned): CouponBead => {
    const value = knob === 'voltageV' ? middle + turned : middle * (1 + turned);
    return {
      settings: { ...right, [knob]: turned === 0 ? middle : Number(settable(knob, value, dials).toFixed(2)) },
      isRight: turned === 0,
    };
  });
  const apart = beads.filter(
    (bead, i) =>
      bead.isRight ||
      !beads.some(
        (other, k) => (k < i || other.isRight) && other !== bead && other.settings[knob] === bead.settings[knob],
      ),
  );
  return { knob, beads: apart, ...ENDS[knob] };
}

/**
 * Plates to run for real on a rig: volts low to high, wire low to high, the tip near to far, about the figures it would be started with
 * on this plate.
 * @param input rig and plate; figures and findings are not asked
 * @param dials the knobs of the rig
 * @returns no plates where the rig has to be put right first
 * @throws RangeError where the wire is not known
 */
export function couponSheet(engine: Engine, input: Case, dials: Dials): CouponSheet {
  const start = startAnswer(input, engine);
  const { cautions, gate, held } = start;
  if (!hasFigures(start)) return { sets: [], cautions, gate, held, misfits: [] };
  return {
    sets: KNOBS.map((knob) => setOf(knob, start.settings, dials)),
    ...{ cautions, gate, held, misfits: start.misfits },
  };
}
