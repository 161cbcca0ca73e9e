import { balanceHalfWidth, withinCurrentRange } from '../arc/balance';
import type { Machine } from '../arc/machine';
import { arcSetup, balancedVolts, currentAt, withWire, type WireSetup } from '../arc/setup';
import { usualStickOut } from '../arc/stick-out';
import type { Case } from '../case/schema';
import { diagnose } from '../diagnosis/diagnose';
import type { Engine } from '../diagnosis/engine';
import { probabilityOf } from '../correction/scenarios';
import type { CauseId } from '../evidence/ids';
import { logistic } from '../chance/logistic';

/**
 * What is believed of a machine's volts and wire: a weight for each pair of offset and scale on a grid, adding up to 1.
 * The belief is the product of what every bead says, so the order of the beads does not matter and replaying them gives
 * the same.
 */
export type MachineBelief = { weights: readonly number[]; beads: number };

/** A bead that was run and judged: sound, or by what it showed. */
export type JudgedBead = { input: Case; sound: boolean };

const steps = (low: number, high: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));

/** Volts that the meter may be off by, and shares that the drive may be. */
export const OFFSETS_V = steps(-3, 3, 25);
export const SCALES = steps(0.8, 1.2, 21);

/** Before any bead: meters and cables are off by about a volt, drives by about six per cent. */
export const BEFORE = { offsetSdV: 1, wireScaleSd: 0.06 };
/** How well a run-out of six seconds gives the scale: a centimetre in a metre, and the slip that it does not show. */
const RUN_OUT_SD = 0.02;

/** Chance that a judgement says nothing: the wrong bead was looked at, or the light was poor. */
const MISJUDGED = 0.05;
/** Half-widths within which a sound bead lies, and from which on a bead shows that it does not. */
const SOUND_WITHIN = 1.2;
/** How sharp that edge is: the laws of arc and plate are no finer. */
const EDGE = { balance: 3, heat: 7 };
/** The window of the heat, as logs of the ratio. */
const HEAT_WITHIN = Math.log(1.25);

const cells = <T>(of: (offsetV: number, wireScale: number) => T): T[] =>
  OFFSETS_V.flatMap((offsetV) => SCALES.map((wireScale) => of(offsetV, wireScale)));

function normalised(weights: readonly number[]): number[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

/**
 * The belief before any bead.
 * @param runOut measured wire speed over the set one, where a run-out was timed; it narrows the scale at once
 */
export function beforeBeads(runOut: number | null = null): MachineBelief {
  const bell = (x: number, sd: number): number => Math.exp(-((x / sd) ** 2) / 2);
  const weights = cells(
    (offsetV, wireScale) =>
      bell(offsetV, BEFORE.offsetSdV) *
      bell(wireScale - 1, BEFORE.wireScaleSd) *
      (runOut === null ? 1 : bell(wireScale - runOut, RUN_OUT_SD)),
  );
  return { weights: normalised(weights), beads: 0 };
}

/** How a bead's arc lies, by what it shows and not by its figures: odds against what such beads show anyway. */
type Shown = { under: number; fine: number; over: number };

const SIDES = {
  balance: [
    ['voltage-low', 'wire-fast'],
    ['voltage-high', 'wire-slow'],
  ],
  heat: [['heat-low'], ['heat-high']],
} as const satisfies Record<string, readonly [readonly CauseId[], readonly CauseId[]]>;

const SOUND: Shown = { under: 0, fine: 1, over: 0 };

/** Returns what a bad bead shows of balance and heat, its volts and wire left out so that only the bead speaks. */
function shownBy(engine: Engine, input: Case): Record<keyof typeof SIDES, Shown> {
  const { voltageV: _, wireSpeedMPerMin: __, ...settings } = input.settings ?? {};
  // What the rig has taught is left out too: else it would be taught by itself.
  const { experience: ___, ...bare } = input;
  const seen = diagnose(engine, { ...bare, settings });
  const unseen = diagnose(engine, { ...bare, settings, findings: {} });
  const of = ([below, above]: readonly [readonly CauseId[], readonly CauseId[]]): Shown => {
    const [under, over] = [probabilityOf(seen, ...below), probabilityOf(seen, ...above)];
    const [underBefore, overBefore] = [below, above].map((causes) => Math.max(0.01, probabilityOf(unseen, ...causes)));
    return {
      under: under / underBefore,
      over: over / overBefore,
      fine: Math.max(0.01, 1 - under - over) / Math.max(0.01, 1 - underBefore - overBefore),
    };
  };
  return { balance: of(SIDES.balance), heat: of(SIDES.heat) };
}

/** Chance of what was seen where the arc lies so many units off, given how wide the good window is. */
function likelihood({ under, fine, over }: Shown, off: number, within: number, edge: number): number {
  const [below, above] = [logistic(edge * (-off - within)), logistic(edge * (off - within))];
  return under * below + over * above + fine * Math.max(0, 1 - below - above);
}

/** Returns how far off balance, in half-widths, and off the wanted heat, as a log, a bead lies on a machine. */
function liesAt(setup: WireSetup, input: Case, machine: Machine): { balance: number | null; heat: number | null } {
  const { voltageV, wireSpeedMPerMin, stickOutMm } = input.settings ?? {};
  if (wireSpeedMPerMin === undefined) return { balance: null, heat: null };
  const on: WireSetup = { ...setup, machine };
  const current = withinCurrentRange(currentAt(on, wireSpeedMPerMin, stickOutMm ?? usualStickOut(setup, null).wanted));
  const halfWidth = balanceHalfWidth(current, setup.wire, setup.gas);
  return {
    balance: voltageV === undefined || setup.pulse ? null : (voltageV - balancedVolts(on, current)) / halfWidth,
    heat: setup.currentAskedA === null ? null : Math.log(current / setup.currentAskedA),
  };
}

/**
 * Returns what a bead says of the machine it was run on: the chance of it for each pair of offset and scale, the likeliest pair at
 * 1. A sound bead says that the true arc lies inside the window, a stubbing one that it lies below. Neither the beads
 * before nor what they taught come into it, so it can be worked out once and kept.
 * @param engine what its findings are judged by
 * @returns null where it says nothing: its wire is not known, or it is bad and nothing was found on it
 */
export function evidenceOf(engine: Engine, { input, sound }: JudgedBead): number[] | null {
  const setup = withWire(arcSetup(input));
  const nothingSeen = Object.values(input.findings ?? {}).every((state) => state === 'unknown');
  if (setup === null || (!sound && nothingSeen)) return null;
  const shown = sound ? { balance: SOUND, heat: SOUND } : shownBy(engine, input);
  const chances = cells((offsetV, wireScale) => {
    const at = liesAt(setup, input, { offsetV, wireScale, sure: null });
    return (
      (at.balance === null ? 1 : likelihood(shown.balance, at.balance, SOUND_WITHIN, EDGE.balance)) *
      (at.heat === null ? 1 : likelihood(shown.heat, at.heat, HEAT_WITHIN, EDGE.heat))
    );
  });
  const most = Math.max(...chances);
  return most > 0 ? chances.map((chance) => MISJUDGED + ((1 - MISJUDGED) * chance) / most) : null;
}

/** The belief once a bead has said what it says. @param evidence of the bead; null says nothing */
export function afterEvidence(belief: MachineBelief, evidence: readonly number[] | null): MachineBelief {
  if (evidence === null) return belief;
  return { weights: normalised(belief.weights.map((weight, i) => weight * evidence[i])), beads: belief.beads + 1 };
}

/** The belief once a bead has spoken: {@link evidenceOf} taken in by {@link afterEvidence}. */
export const afterBead = (engine: Engine, belief: MachineBelief, bead: JudgedBead): MachineBelief =>
  afterEvidence(belief, evidenceOf(engine, bead));

/**
 * A belief as the arc model takes it: the middle of each figure and how sure it is.
 * @returns the machine as shown where no bead has spoken yet
 */
export function machineOf({ weights }: MachineBelief): Machine {
  const moments = (values: readonly number[]): { mean: number; sd: number } => {
    const mean = weights.reduce((sum, weight, i) => sum + weight * values[i], 0);
    const variance = weights.reduce((sum, weight, i) => sum + weight * (values[i] - mean) ** 2, 0);
    return { mean, sd: Math.sqrt(variance) };
  };
  const offset = moments(cells((offsetV) => offsetV));
  const scale = moments(cells((_, wireScale) => wireScale));
  return {
    offsetV: offset.mean,
    wireScale: scale.mean,
    sure: { offsetSdV: offset.sd, wireScaleSd: scale.sd },
  };
}
