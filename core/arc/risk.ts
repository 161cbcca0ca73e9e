import { logistic } from '../chance/logistic';

/**
 * Risks from 0 to 1, each a logistic in a physical margin. They rank settings against each other;
 * they are not frequencies of defects.
 */

/** A logistic: the margin at even odds, and its slope in log odds a unit of the margin. */
type Odds = { evenAt: number; steep: number; reason: string };

/** The logistic of each risk. No frequencies are published for these: the margins are practice, the slopes judged. */
const ODDS = {
  stubbing: {
    evenAt: 1.7,
    steep: 2.5,
    reason: 'half-widths under balance; one is the edge of a good arc, at two the wire drives in',
  },
  burnBack: {
    evenAt: 2.2,
    steep: 2.5,
    reason: 'half-widths over balance; a long arc is forgiven longer than a short one before the wire melts to the tip',
  },
  spatter: {
    evenAt: 1.9,
    steep: 1.6,
    reason: 'half-widths either way; it comes on slowly, past the edge of the window',
  },
  lackOfFusion: {
    evenAt: 0.68,
    steep: 14,
    reason: 'current over current wanted; 0.8 is the edge of the window, and the risk rises fast under it',
  },
  burnThrough: {
    evenAt: 1.45,
    steep: 14,
    reason: 'current over current wanted, by the root of the pace; small to 1.25, the edge of the window',
  },
  undercut: { evenAt: 2.2, steep: 1.5, reason: 'half-widths over balance; a wide arc melts toes that nothing fills' },
  starved: {
    evenAt: 0.85,
    steep: 12,
    reason: 'flow over the least that covers; bores and nozzles differ by a seventh',
  },
  turbulent: {
    evenAt: 1.1,
    steep: 12,
    reason: 'flow over the most; turbulence draws in air, a little after the limit',
  },
} as const satisfies Record<string, Odds>;

/** Further terms of a risk, in log odds a unit. */
const ALSO = {
  spatter: {
    co2: { perPct: 0.012, fromPct: 20, reason: 'straight CO2 spatters two to three times as much as 80/20' },
    soft: { perPct: -0.01, fromPct: 50, reason: 'a crisp arc throws more than a soft one; judged' },
  },
  lackOfFusion: {
    lowVolts: {
      perHalfWidth: 0.9,
      from: 1.5,
      least: 0.6,
      reason: 'toes that volts do not wet lie on cold plate; judged',
    },
  },
  burnThrough: {
    gap: { perShare: 1.5, reason: 'a gap as wide as the plate is thick: four and a half times the odds' },
  },
  undercut: {
    fast: { perShare: 3, from: 1.5, reason: 'half as fast again as expected leaves no time to fill; judged' },
  },
} as const;

const odds = ({ evenAt, steep }: Odds, margin: number): number => steep * (margin - evenAt);

/** Wire drives into the puddle. @param balance (V - V_bal) / half-width */
export const stubbingRisk = (balance: number): number => logistic(odds(ODDS.stubbing, -balance));

/** Wire melts back to the tip. @param balance (V - V_bal) / half-width */
export const burnBackRisk = (balance: number): number => logistic(odds(ODDS.burnBack, balance));

/**
 * Spatter from imbalance either way, from CO2 and from a crisp arc.
 * @param balance (V - V_bal) / half-width
 * @param co2Pct CO2 in the gas, %
 * @param arcControlPct 0 crisp to 100 soft
 */
export function spatterRisk(balance: number, co2Pct: number, arcControlPct: number): number {
  const { co2, soft } = ALSO.spatter;
  return logistic(
    odds(ODDS.spatter, Math.abs(balance)) +
      co2.perPct * (co2Pct - co2.fromPct) +
      soft.perPct * (arcControlPct - soft.fromPct),
  );
}

/**
 * Metal lies on cold plate: more when the voltage is too low to wet the toes.
 * @param heatRatio current over current wanted
 * @param balance (V - V_bal) / half-width
 */
export function lackOfFusionRisk(heatRatio: number, balance: number): number {
  const { perHalfWidth, from, least } = ALSO.lackOfFusion.lowVolts;
  return logistic(-odds(ODDS.lackOfFusion, heatRatio) + perHalfWidth * (-balance - from) + least);
}

/**
 * The arc falls through: sooner with a gap and at a slow pace.
 * @param heatRatio current over current wanted
 * @param gapShare gap over thickness, 0 for none
 * @param slowTravel expected travel over actual, 1 as expected
 */
export function burnThroughRisk(heatRatio: number, gapShare: number, slowTravel: number): number {
  return logistic(odds(ODDS.burnThrough, heatRatio * Math.sqrt(slowTravel)) + ALSO.burnThrough.gap.perShare * gapShare);
}

/**
 * Groove melted beside the toe and not filled.
 * @param balance (V - V_bal) / half-width
 * @param fastTravel actual travel over expected, 1 as expected
 */
export function undercutRisk(balance: number, fastTravel: number): number {
  const { perShare, from } = ALSO.undercut.fast;
  return logistic(odds(ODDS.undercut, balance) + perShare * (fastTravel - from));
}

/**
 * Holes from thin or turbulent cover.
 * @param flow gas flow in L/min
 * @param window low and high limits in L/min
 */
export function porosityRisk(flow: number, window: { low: number; high: number }): number {
  const under = logistic(-odds(ODDS.starved, flow / window.low));
  const over = logistic(odds(ODDS.turbulent, flow / window.high));
  return under + over - under * over;
}
