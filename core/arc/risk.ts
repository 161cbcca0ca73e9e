import { logistic } from '../chance/logistic';
/**
 * Risks from 0 to 1, each a logistic in a physical margin. They rank settings against each other;
 * they are not frequencies of defects. The slopes are stated beside each function.
 */
/** Wire drives into the puddle. Even odds at 1.7 half-widths under balance. @param balance (V - V_bal) / half-width */
export function stubbingRisk(balance: number): number {
  return logistic(2.5 * (-balance - 1.7));
}

/** Wire melts back to the tip. Even odds at 2.2 half-widths over balance. @param balance (V - V_bal) / half-width */
export function burnBackRisk(balance: number): number {
  return logistic(2.5 * (balance - 2.2));
}

/**
 * Spatter from imbalance either way, from CO2 and from a crisp arc.
 * @param balance (V - V_bal) / half-width
 * @param co2Pct CO2 in the gas, %
 * @param arcControlPct 0 crisp to 100 soft
 */
export function spatterRisk(balance: number, co2Pct: number, arcControlPct: number): number {
  return logistic(1.6 * (Math.abs(balance) - 1.9) + 0.012 * (co2Pct - 20) - 0.01 * (arcControlPct - 50));
}

/**
 * Metal lies on cold plate. Small down to a heat ratio of 0.8, the edge of the window, and rising fast under it; more when
 * the voltage is too low to wet the toes.
 * @param heatRatio current over current wanted
 * @param balance (V - V_bal) / half-width
 */
export function lackOfFusionRisk(heatRatio: number, balance: number): number {
  return logistic(14 * (0.68 - heatRatio) + 0.9 * (-balance - 1.5) + 0.6);
}

/**
 * The arc falls through. Small up to a heat ratio of 1.25, the edge of the window, and even odds at 1.45; sooner with a
 * gap and at a slow pace.
 * @param heatRatio current over current wanted
 * @param gapShare gap over thickness, 0 for none
 * @param slowTravel expected travel over actual, 1 as expected
 */
export function burnThroughRisk(heatRatio: number, gapShare: number, slowTravel: number): number {
  return logistic(14 * (heatRatio * Math.sqrt(slowTravel) - 1.45) + 1.5 * gapShare);
}

/**
 * Groove melted beside the toe and not filled.
 * @param balance (V - V_bal) / half-width
 * @param fastTravel actual travel over expected, 1 as expected
 */
export function undercutRisk(balance: number, fastTravel: number): number {
  return logistic(1.5 * (balance - 2.2) + 3 * (fastTravel - 1.5));
}

/**
 * Holes from thin or turbulent cover.
 * @param flow gas flow in L/min
 * @param window low and high limits in L/min
 */
export function porosityRisk(flow: number, window: { low: number; high: number }): number {
  const under = logistic((12 * (0.85 * window.low - flow)) / window.low);
  const over = logistic((12 * (flow - 1.1 * window.high)) / window.high);
  return under + over - under * over;
}
