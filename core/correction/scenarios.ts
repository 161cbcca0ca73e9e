import { sprayShare } from '../arc/transfer';
import type { Diagnosis } from '../diagnosis/diagnose';
import { HEAT_UNIT, HEAT_WINDOW, type Residual } from '../diagnosis/residuals';
import type { CauseId } from '../evidence/ids';
import { clamp } from '../quantity/clamp';

/**
 * A way things may really stand, with its probability. It says how far the true balance and heat lie from what the
 * figures say, for findings and figures both count; and which figures are right, so that the sound setting is known: what
 * is right stays, what is wrong goes to where the arc model wants it.
 */
export type Scenario = {
  probability: number;
  /** Half-widths and heat units to add to what the figures say. */
  balanceShift: number;
  /** Half-widths from balance that a sound bead of this welder has: where nothing is wrong with it, as it is. */
  balanceAim: number;
  heatShift: number;
  right: { voltageV: boolean; wireSpeedMPerMin: boolean };
  /** The heat is what is wrong, so the current is not known to be right anywhere but in its middle. */
  heatWrong: boolean;
};

/** Of volts and wire out of balance, the one that is turned. */
export type Turned = 'volts' | 'wire';

/** From where on a bead shows a cause, in the units of the residuals, and the scatter of that. */
const SHOWS_AT = { under: -1.6, over: 1.6, cold: -1.8, hot: 1.8 };
const SHOWS_SCATTER = 0.9;

/** Probability that one of these causes holds in a diagnosis; 0 when none is listed. */
export function probabilityOf(diagnosis: Diagnosis, ...causes: CauseId[]): number {
  const held = diagnosis.causes.filter(({ cause }) => causes.includes(cause));
  return held.reduce((sum, { probability }) => sum + probability, 0);
}

/**
 * Returns how far the truth lies from the measured residual when it is known to lie about `mean` or beyond: the product of two
 * normal curves, so the bead is believed by as much as the figure may be wrong. A figure that says as much itself is
 * believed as it stands.
 */
function shift(measured: Residual | undefined, mean: number): number {
  if (measured === undefined || (mean !== 0 && measured.value / mean > 1)) return 0;
  const trust = 1 / Math.max(0.05, measured.spread ** 2);
  const pull = 1 / SHOWS_SCATTER ** 2;
  const truth = (measured.value * trust + mean * pull) / (trust + pull);
  return truth - measured.value;
}

/** Returns how far the truth lies from the measured residual when it is known to lie in a window of this half-width about 0. */
function shiftInto(measured: Residual | undefined, window: number): number {
  if (measured === undefined) return 0;
  const inside = clamp(measured.value, -window, window);
  return shift({ ...measured, value: measured.value - inside }, 0);
}

type Branch = { side: 'below' | 'above' | 'between' | 'wild'; probability: number; shift: number };

function branches(
  measured: Residual | undefined,
  below: [chance: number, mean: number],
  above: [chance: number, mean: number],
  window: number,
): Branch[] {
  const between = Math.max(0, 1 - below[0] - above[0]);
  const all: Branch[] = [
    { side: 'below', probability: below[0], shift: shift(measured, below[1]) },
    { side: 'above', probability: above[0], shift: shift(measured, above[1]) },
    { side: 'between', probability: between, shift: shiftInto(measured, window) },
  ];
  const total = all.reduce((sum, { probability }) => sum + probability, 0);
  return sharpened(all.map((branch) => ({ ...branch, probability: branch.probability / total })));
}

/** A fault that is let stand costs more than a trial bead that was not needed. */
const FAULT_COUNTS = 2.2;

/** A way less likely than this is left out. */
const NEXT_TO_NOTHING = 1e-4;

/** The same for a fault that either is there or not. @param chance its probability */
export function actedOn(chance: number): number {
  const [fault, none] = [(FAULT_COUNTS * chance) ** 2, (1 - chance) ** 2];
  return fault / (fault + none);
}

/**
 * Returns what to act on: one move is to cure, so the likelier branch counts for more than its share, and at even chances a move
 * is made. Without a gate: the square of the odds moves smoothly from nothing to all.
 */
function sharpened(all: readonly Branch[]): Branch[] {
  const weighed = all.map((branch) => ({
    ...branch,
    probability: ((branch.side === 'between' ? 1 : FAULT_COUNTS) * branch.probability) ** 2,
  }));
  const share = (of: readonly Branch[]): Branch[] => {
    const total = of.reduce((sum, { probability }) => sum + probability, 0);
    return of.map((branch) => ({ ...branch, probability: branch.probability / total }));
  };
  return share(share(weighed).filter(({ probability }) => probability > NEXT_TO_NOTHING));
}

/** Which of volts and wire is wrong on a side of balance: the likelier one, or the one that the school turns. */
function turnedOn(diagnosis: Diagnosis, side: Branch['side'], school: Turned | null): Turned {
  if (school !== null) return school;
  const [volts, wire] =
    side === 'below' ? (['voltage-low', 'wire-fast'] as const) : (['voltage-high', 'wire-slow'] as const);
  return probabilityOf(diagnosis, wire) > probabilityOf(diagnosis, volts) ? 'wire' : 'volts';
}

/**
 * Returns how far low volts and their wire belong to two different arcs, 0 to 1: the wire is a spray's, the plate wants a short arc.
 * Then neither figure is right, and volts to suit the wire would carry the welder over into a transfer not meant.
 */
function ofTwoArcs({ setup, arc }: Diagnosis): number {
  const { wire, gas, currentAskedA, pulse } = setup;
  if (pulse || !wire || currentAskedA === null || arc.currentA === null) return 0;
  return sprayShare(arc.currentA, wire, gas) * (1 - sprayShare(currentAskedA, wire, gas));
}

/** A way in which the volts are low, parted by how likely it is that the wire is another arc's as well. */
function parted(way: Scenario, neither: number): Scenario[] {
  const { probability, right, heatWrong } = way;
  if (neither < NEXT_TO_NOTHING || heatWrong || !right.wireSpeedMPerMin) return [way];
  return [
    { ...way, probability: probability * (1 - neither) },
    { ...way, probability: probability * neither, right: { voltageV: false, wireSpeedMPerMin: false } },
  ].filter((one) => one.probability > NEXT_TO_NOTHING);
}

/**
 * The nine (or fewer) ways balance and heat may stand, from the probabilities of their causes.
 * @param school what is turned for balance; null takes the likelier of the pair
 */
export function scenariosOf(diagnosis: Diagnosis, school: Turned | null = null): Scenario[] {
  const p = (...causes: CauseId[]): number => probabilityOf(diagnosis, ...causes);
  const { balance: measured, heat: outside } = diagnosis.residuals;
  // A pulsing machine holds the arc length by trim: volts and wire are not what is wrong with it.
  const none: Branch = { side: 'between', probability: 1, shift: 0 };
  const balance = diagnosis.setup.pulse
    ? [none]
    : branches(
        measured,
        [p('voltage-low', 'wire-fast'), SHOWS_AT.under],
        [p('voltage-high', 'wire-slow'), SHOWS_AT.over],
        0,
      );
  const { heatRatio } = diagnosis.arc;
  const heat = branches(
    outside === undefined || heatRatio === null ? undefined : { ...outside, value: Math.log(heatRatio) / HEAT_UNIT },
    [p('heat-low'), SHOWS_AT.cold],
    [p('heat-high'), SHOWS_AT.hot],
    HEAT_WINDOW,
  );
  // A current in the wild zone under spray is wrong, though the plate has nothing against it.
  const wild = actedOn(Math.min(1, p('transfer-between')));
  const ways = heat.flatMap((h): Branch[] =>
    h.side !== 'between'
      ? [h]
      : [
          { ...h, probability: h.probability * (1 - wild) },
          { ...h, side: 'wild', shift: 0, probability: h.probability * wild },
        ],
  );
  const likely = ways.filter(({ probability }) => probability > NEXT_TO_NOTHING);
  const neither = ofTwoArcs(diagnosis);
  return balance.flatMap((b) =>
    likely.flatMap((h) => {
      const heatWrong = h.side !== 'between';
      const turned = b.side === 'between' ? null : turnedOn(diagnosis, b.side, school);
      const way: Scenario = {
        probability: b.probability * h.probability,
        balanceShift: b.shift,
        balanceAim: b.side === 'between' ? clamp((measured?.value ?? 0) + b.shift, -1, 1) : 0,
        // Too fast a wire makes the heat it makes: nothing need be wrong with the figure.
        heatShift: !heatWrong && turned === 'wire' ? 0 : h.shift,
        right: { voltageV: !heatWrong && turned !== 'volts', wireSpeedMPerMin: !heatWrong && turned !== 'wire' },
        heatWrong,
      };
      return b.side === 'below' ? parted(way, neither) : [way];
    }),
  );
}
