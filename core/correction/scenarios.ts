import type { Diagnosis } from '../diagnosis/diagnose';
import type { Residual } from '../diagnosis/residuals';
import type { CauseId } from '../evidence/ids';

/**
 * A way things may really stand, with its probability: how far the true balance and heat lie from what the
 * figures say. The findings and the figures both count, so a machine whose meter reads a volt high is
 * corrected by what its bead shows.
 */
export type Scenario = { probability: number; balanceShift: number; heatShift: number };

/** Where the true residual lies, and its scatter, when a cause holds (see the figures of the causes). */
const HOLDS_AT = { under: -2.4, over: 2.4, cold: -2.2, hot: 2.2 };
const HOLDS_SCATTER = 0.9;

/** Probability of one cause in a diagnosis; 0 when it is not listed. */
export function probabilityOf(diagnosis: Diagnosis, ...causes: CauseId[]): number {
  const held = diagnosis.causes.filter(({ cause }) => causes.includes(cause));
  return held.reduce((sum, { probability }) => sum + probability, 0);
}

/**
 * How far the truth lies from the measured residual when it is known to come from around `mean`:
 * the product of two normal curves. A cause holds at its mean or beyond, so a figure that is worse still
 * is believed as it stands.
 */
function shift(measured: Residual | undefined, mean: number): number {
  if (measured === undefined || (mean !== 0 && measured.value / mean > 1)) return 0;
  const trust = 1 / Math.max(0.05, measured.spread ** 2);
  const pull = 1 / HOLDS_SCATTER ** 2;
  const truth = (measured.value * trust + mean * pull) / (trust + pull);
  return truth - measured.value;
}

/** Half the window of the heat in residual units: ln 1.25 / 0.18. A figure inside it is believed as it stands. */
const HEAT_WINDOW = 1.24;

/** How far the truth lies from the measured residual when it is known to lie in a window of this half-width about 0. */
function shiftInto(measured: Residual | undefined, window: number): number {
  if (measured === undefined) return 0;
  const inside = Math.max(-window, Math.min(window, measured.value));
  return shift({ ...measured, value: measured.value - inside }, 0);
}

type Branch = { probability: number; shift: number };

function branches(
  measured: Residual | undefined,
  below: [number, number],
  above: [number, number],
  window: number,
): Branch[] {
  const between = Math.max(0, 1 - below[0] - above[0]);
  const all = [
    { probability: below[0], shift: shift(measured, below[1]) },
    { probability: above[0], shift: shift(measured, above[1]) },
    { probability: between, shift: shiftInto(measured, window) },
  ];
  const total = all.reduce((sum, { probability }) => sum + probability, 0);
  return all
    .map((branch) => ({ ...branch, probability: branch.probability / total }))
    .filter(({ probability }) => probability > 1e-4);
}

/** The nine (or fewer) ways balance and heat may stand, from the probabilities of their causes. */
export function scenariosOf(diagnosis: Diagnosis): Scenario[] {
  const p = (...causes: CauseId[]): number => probabilityOf(diagnosis, ...causes);
  const balance = branches(
    diagnosis.residuals.balance,
    [p('voltage-low', 'wire-fast'), HOLDS_AT.under],
    [p('voltage-high', 'wire-slow'), HOLDS_AT.over],
    0,
  );
  const heat = branches(
    diagnosis.residuals.heat,
    [p('heat-low'), HOLDS_AT.cold],
    [p('heat-high'), HOLDS_AT.hot],
    HEAT_WINDOW,
  );
  return balance.flatMap((b) =>
    heat.map((h) => ({ probability: b.probability * h.probability, balanceShift: b.shift, heatShift: h.shift })),
  );
}
