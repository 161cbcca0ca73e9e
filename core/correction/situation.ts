import { withWire } from '../arc/setup';
import type { Case } from '../case/schema';
import type { Diagnosis } from '../diagnosis/diagnose';
import type { Engine } from '../diagnosis/engine';
import type { CauseId } from '../evidence/ids';
import { MAIN_SETTINGS, SETTINGS, type MainSetting } from '../setting/table';
import type { Situation, Target } from './objective';
import { probabilityOf, scenariosOf } from './scenarios';

/** What a correction is worked out from. */
export type Work = { engine: Engine; input: Case; diagnosis: Diagnosis };

/** Causes under this do not move a knob or bring a remedy. */
export const ACT_ABOVE = 0.3;
const ELECTRICAL: CauseId[] = ['voltage-low', 'wire-fast', 'voltage-high', 'wire-slow', 'heat-low', 'heat-high'];
/** Which causes speak for moving which setting. */
export const MOVED_BY: Record<MainSetting, CauseId[]> = {
  voltageV: ELECTRICAL,
  wireSpeedMPerMin: ELECTRICAL,
  stickOutMm: ['stickout-long', 'stickout-short'],
  gasFlowLPerMin: ['gas-low', 'gas-high'],
};

/** What the risk of a target depends on in a case, or null where the wire is not known. */
export function situationOf({ input, diagnosis }: Work): Situation | null {
  const setup = withWire(diagnosis.setup);
  if (setup === null) return null;
  const { voltageV, wireSpeedMPerMin, stickOutMm, gasFlowLPerMin, travelSpeedMmPerMin, arcControlPct } =
    input.settings ?? {};
  return {
    setup,
    scenarios: scenariosOf(diagnosis),
    today: {
      voltageV: voltageV ?? null,
      wireSpeedMPerMin: wireSpeedMPerMin ?? null,
      stickOutMm: stickOutMm ?? null,
      gasFlowLPerMin: gasFlowLPerMin ?? null,
    },
    flowWindow: diagnosis.arc.flowWindow,
    gapShare: (input.job?.gapMm ?? 0) / (diagnosis.setup.thinnestMm ?? 3),
    travelMmPerMin: travelSpeedMmPerMin ?? null,
    arcControlPct: arcControlPct ?? 50,
  };
}

/** Settings that may move: those unknown, and those a likely cause speaks for. */
export function freeSettings({ diagnosis }: Work, { setup, flowWindow, today }: Situation): MainSetting[] {
  return MAIN_SETTINGS.filter((name) => {
    // A pulsing machine is set by trim, not by volts.
    if (name === 'voltageV' && setup.pulse) return false;
    if (name === 'gasFlowLPerMin' && (!setup.usesGas || flowWindow === null)) return false;
    return today[name] === null || probabilityOf(diagnosis, ...MOVED_BY[name]) > ACT_ABOVE;
  });
}

/** The figure that the school of the welder holds while balance is sought with the other. */
export function heldBySchool(input: Case, { today }: Situation): MainSetting | null {
  const school = input.preferences?.imbalance ?? 'by-heat';
  if (school === 'volts' && today.wireSpeedMPerMin !== null) return 'wireSpeedMPerMin';
  return school === 'wire' && today.voltageV !== null ? 'voltageV' : null;
}

/**
 * Keeps today's value where the solved one is not worth a turn of the knob; what is not known stays out
 * unless it was free to be proposed.
 */
export function settled({ today }: Situation, solved: Target, free: readonly MainSetting[]): Target {
  const keep = (name: MainSetting): number => {
    const value = today[name];
    if (value === null) return solved[name];
    return !free.includes(name) || Math.abs(solved[name] - value) < SETTINGS[name].worthMoving ? value : solved[name];
  };
  return {
    voltageV: keep('voltageV'),
    wireSpeedMPerMin: keep('wireSpeedMPerMin'),
    stickOutMm: keep('stickOutMm'),
    gasFlowLPerMin: keep('gasFlowLPerMin'),
  };
}
