import { arcSetup, withWire } from '../../arc/setup';
import { EXAMPLE_CASE } from '../../cases/example';
import type { Case } from '../../case/schema';
import type { Situation, Target } from '../objective';
import type { Scenario } from '../scenarios';

/** All is as the figures say, and both figures are right. */
export const NOTHING_WRONG: Scenario = {
  probability: 1,
  balanceShift: 0,
  balanceAim: 0,
  heatShift: 0,
  right: { voltageV: true, wireSpeedMPerMin: true },
  heatWrong: false,
};

/** 0.9 mm solid wire, 82/18, fillet of 3 on 6 mm: what the worked example of the case format stands in. */
export function situation(change: Partial<Situation> = {}, input: Case = EXAMPLE_CASE): Situation {
  return {
    setup: withWire(arcSetup(input))!,
    scenarios: [NOTHING_WRONG],
    today: { voltageV: null, wireSpeedMPerMin: null, stickOutMm: null, gasFlowLPerMin: null },
    wrong: { stickOutMm: 0, gasFlowLPerMin: 0 },
    gapShare: 0,
    travelMmPerMin: null,
    arcControlPct: 50,
    ...change,
  };
}

/** The example's settings, in balance and with the usual stick-out and flow. */
export const STEADY: Target = { voltageV: 20, wireSpeedMPerMin: 7.5, stickOutMm: 10, gasFlowLPerMin: 11 };
