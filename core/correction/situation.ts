import { withWire } from '../arc/setup';
import type { Case } from '../case/schema';
import type { Diagnosis } from '../diagnosis/diagnose';
import type { Engine } from '../diagnosis/engine';
import type { CauseId } from '../evidence/ids';
import { MAIN_SETTINGS, type MainSetting } from '../setting/table';
import type { Situation } from './objective';
import { actedOn, probabilityOf, scenariosOf, type Turned } from './scenarios';

/** What a correction is worked out from. */
export type Work = { engine: Engine; input: Case; diagnosis: Diagnosis };

/** Causes under this bring no remedy. */
export const ACT_ABOVE = 0.3;

/**
 * Returns what the risk of a target depends on in a case, or null where the wire is not known.
 * @param turned what is turned for balance; null takes the likelier of the pair
 * @param anew what a remedy has set anew: today's figure of it does not count
 */
export function situationOf(
  { input, diagnosis }: Work,
  turned: Turned | null,
  anew: readonly MainSetting[] = [],
): Situation | null {
  const setup = withWire(diagnosis.setup);
  if (setup === null) return null;
  const { voltageV, wireSpeedMPerMin, stickOutMm, gasFlowLPerMin, travelSpeedMmPerMin, arcControlPct } =
    input.settings ?? {};
  return {
    setup,
    scenarios: scenariosOf(diagnosis, turned),
    today: {
      voltageV: voltageV ?? null,
      wireSpeedMPerMin: wireSpeedMPerMin ?? null,
      stickOutMm: stickOutMm ?? null,
      gasFlowLPerMin: gasFlowLPerMin ?? null,
    },
    wrong: {
      stickOutMm: actedOn(Math.min(1, probabilityOf(diagnosis, 'stickout-long', 'stickout-short'))),
      gasFlowLPerMin: anew.includes('gasFlowLPerMin')
        ? 1
        : actedOn(Math.min(1, probabilityOf(diagnosis, 'gas-low', 'gas-high'))),
    },
    gapShare: (input.job?.gapMm ?? 0) / (diagnosis.setup.thinnestMm ?? 3),
    travelMmPerMin: travelSpeedMmPerMin ?? null,
    arcControlPct: arcControlPct ?? 50,
  };
}

/** Recorded pairings that are wrong in themselves: no tuning cures them. */
const MISMATCHES = {
  polarityMatch: 'polarity-wrong',
  gasMatch: 'gas-wrong',
  wireMatch: 'wire-wrong',
  rollMatch: 'roll-wrong',
  tipMatch: 'tip-wrong-size',
} as const;

/** The causes that the record itself shows: the wrong pole, gas, wire, roll or tip for this job. */
export function recordedMismatches({ residuals }: Diagnosis): CauseId[] {
  return (Object.keys(MISMATCHES) as (keyof typeof MISMATCHES)[]).flatMap((name) =>
    (residuals[name]?.value ?? 0) > 0 ? [MISMATCHES[name]] : [],
  );
}

/**
 * Settings that may move. Where a part or the plate is what is wrong, all that is known stays: a number tuned over a
 * clogged nozzle is tuned for nothing.
 * @param held whether what is known stays
 * @param anew what a remedy has set anew
 */
export function freeSettings(
  { setup, today }: Situation,
  held: boolean,
  anew: readonly MainSetting[] = [],
): MainSetting[] {
  return MAIN_SETTINGS.filter((name) => {
    // A pulsing machine is set by trim, not by volts.
    if (name === 'voltageV' && setup.pulse) return false;
    if (name === 'gasFlowLPerMin' && !setup.usesGas) return false;
    return !held || today[name] === null || anew.includes(name);
  });
}

/** Returns what the school of the welder turns for balance; null turns what the heat of the plate speaks for. */
export function turnedBySchool(input: Case): Turned | null {
  const school = input.preferences?.imbalance ?? 'by-heat';
  return school === 'by-heat' ? null : school;
}
